@NullMarked
package yendrik.core.strand.film;

import org.jspecify.annotations.NullMarked;
