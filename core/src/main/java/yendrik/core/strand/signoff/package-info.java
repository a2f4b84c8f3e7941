@NullMarked
package yendrik.core.strand.signoff;

import org.jspecify.annotations.NullMarked;
