/** Questions that a text of one's own answers, which staff mark. */
@NullMarked
package yendrik.server.kinds.quiz.question.open;

import org.jspecify.annotations.NullMarked;
