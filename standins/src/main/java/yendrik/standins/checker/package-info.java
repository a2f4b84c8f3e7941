/** A simulated checker of files. */
@NullMarked
package yendrik.standins.checker;

import org.jspecify.annotations.NullMarked;
