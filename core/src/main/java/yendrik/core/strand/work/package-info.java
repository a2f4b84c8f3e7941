@NullMarked
package yendrik.core.strand.work;

import org.jspecify.annotations.NullMarked;
