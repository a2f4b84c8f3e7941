@NullMarked
package yendrik.core.strand.marks;

import org.jspecify.annotations.NullMarked;
