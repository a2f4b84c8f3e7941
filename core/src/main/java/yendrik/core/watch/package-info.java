@NullMarked
package yendrik.core.watch;

import org.jspecify.annotations.NullMarked;
