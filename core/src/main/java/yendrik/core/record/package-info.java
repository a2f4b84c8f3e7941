@NullMarked
package yendrik.core.record;

import org.jspecify.annotations.NullMarked;
