package yendrik.server.kinds.quiz.question.statement;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/** What a learner said of it. */
@JsonTypeName("true-false")
public record StatementGiven(boolean itIsTrue) implements GivenAnswer {}
