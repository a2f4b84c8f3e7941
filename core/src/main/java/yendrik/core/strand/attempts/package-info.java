@NullMarked
package yendrik.core.strand.attempts;

import org.jspecify.annotations.NullMarked;
