package yendrik.server.kinds.quiz.question.statement;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Room to say whether it is true. */
@JsonTypeName("true-false")
public record StatementAsked() implements AskedPart {}
