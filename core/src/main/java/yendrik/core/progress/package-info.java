@NullMarked
package yendrik.core.progress;

import org.jspecify.annotations.NullMarked;
