/** Texts with gaps that are filled in. */
@NullMarked
package yendrik.core.quiz.kinds.gaps;

import org.jspecify.annotations.NullMarked;
