/** Questions of which one choice is right. */
@NullMarked
package yendrik.server.kinds.quiz.question.choice;

import org.jspecify.annotations.NullMarked;
