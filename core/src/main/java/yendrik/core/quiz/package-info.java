@NullMarked
package yendrik.core.quiz;

import org.jspecify.annotations.NullMarked;
