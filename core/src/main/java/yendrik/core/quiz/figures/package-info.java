/** How quizzes went: figures about their questions and scores. */
@NullMarked
package yendrik.core.quiz.figures;

import org.jspecify.annotations.NullMarked;
