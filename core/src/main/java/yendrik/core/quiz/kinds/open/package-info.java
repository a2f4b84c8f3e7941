/** Texts that staff mark. */
@NullMarked
package yendrik.core.quiz.kinds.open;

import org.jspecify.annotations.NullMarked;
