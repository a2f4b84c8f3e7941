@NullMarked
package yendrik.core.strand.time;

import org.jspecify.annotations.NullMarked;
