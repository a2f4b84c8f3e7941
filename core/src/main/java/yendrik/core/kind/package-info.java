@NullMarked
package yendrik.core.kind;

import org.jspecify.annotations.NullMarked;
