@NullMarked
package yendrik.core.look;

import org.jspecify.annotations.NullMarked;
