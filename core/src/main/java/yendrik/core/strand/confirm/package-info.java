@NullMarked
package yendrik.core.strand.confirm;

import org.jspecify.annotations.NullMarked;
