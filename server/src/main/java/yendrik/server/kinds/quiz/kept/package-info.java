/** How quizzes are taken, kept by whoever plans them to be used again. */
@NullMarked
package yendrik.server.kinds.quiz.kept;

import org.jspecify.annotations.NullMarked;
