/** Questions that a number answers. */
@NullMarked
package yendrik.server.kinds.quiz.question.numeric;

import org.jspecify.annotations.NullMarked;
