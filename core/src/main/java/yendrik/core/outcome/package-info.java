@NullMarked
package yendrik.core.outcome;

import org.jspecify.annotations.NullMarked;
