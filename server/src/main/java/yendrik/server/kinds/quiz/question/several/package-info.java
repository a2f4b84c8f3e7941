/** Questions of which several choices may be right. */
@NullMarked
package yendrik.server.kinds.quiz.question.several;

import org.jspecify.annotations.NullMarked;
