@NullMarked
package yendrik.core.strand.seen;

import org.jspecify.annotations.NullMarked;
