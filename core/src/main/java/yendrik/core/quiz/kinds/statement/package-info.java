/** Statements that are true or false. */
@NullMarked
package yendrik.core.quiz.kinds.statement;

import org.jspecify.annotations.NullMarked;
