/** Texts with gaps that are filled in. */
@NullMarked
package yendrik.server.kinds.quiz.question.gaps;

import org.jspecify.annotations.NullMarked;
