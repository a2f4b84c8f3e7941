@NullMarked
package yendrik.core.id;

import org.jspecify.annotations.NullMarked;
