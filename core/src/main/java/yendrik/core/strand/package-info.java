@NullMarked
package yendrik.core.strand;

import org.jspecify.annotations.NullMarked;
