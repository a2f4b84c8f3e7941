/** Open formats, read and written. */
@NullMarked
package yendrik.formats;

import org.jspecify.annotations.NullMarked;
