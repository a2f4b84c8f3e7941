@NullMarked
package yendrik.core.words;

import org.jspecify.annotations.NullMarked;
