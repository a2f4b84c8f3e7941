/** Questions that a few words answer. */
@NullMarked
package yendrik.server.kinds.quiz.question.brief;

import org.jspecify.annotations.NullMarked;
