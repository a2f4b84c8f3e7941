@NullMarked
package yendrik.core.check;

import org.jspecify.annotations.NullMarked;
