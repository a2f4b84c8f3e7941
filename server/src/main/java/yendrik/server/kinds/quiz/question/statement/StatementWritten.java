package yendrik.server.kinds.quiz.question.statement;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.WrittenPart;

/** Whether the statement is true. */
@JsonTypeName("true-false")
public record StatementWritten(boolean isTrue) implements WrittenPart {}
