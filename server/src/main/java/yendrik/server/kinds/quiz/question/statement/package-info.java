/** Statements that are true or false. */
@NullMarked
package yendrik.server.kinds.quiz.question.statement;

import org.jspecify.annotations.NullMarked;
