/** Quizzes after use: figures about them, results as files, and corrections of questions. */
@NullMarked
package yendrik.server.kinds.quiz.after;

import org.jspecify.annotations.NullMarked;
