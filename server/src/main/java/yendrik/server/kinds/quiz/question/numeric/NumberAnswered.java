package yendrik.server.kinds.quiz.question.numeric;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/** The number of a learner. */
@JsonTypeName("numeric")
public record NumberAnswered(double number) implements GivenAnswer {}
