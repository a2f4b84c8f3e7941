/** What is said of files that cannot be taken. */
@NullMarked
package yendrik.formats.refused;

import org.jspecify.annotations.NullMarked;
