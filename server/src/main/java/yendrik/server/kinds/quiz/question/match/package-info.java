/** Questions that putting together what belongs together answers. */
@NullMarked
package yendrik.server.kinds.quiz.question.match;

import org.jspecify.annotations.NullMarked;
