/** Questions that a number answers. */
@NullMarked
package yendrik.core.quiz.kinds.numeric;

import org.jspecify.annotations.NullMarked;
