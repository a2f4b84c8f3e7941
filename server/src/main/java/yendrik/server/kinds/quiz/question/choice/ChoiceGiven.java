package yendrik.server.kinds.quiz.question.choice;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.GivenAnswer;

/**
 * The choice of a learner.
 *
 * @param choice as it was dealt
 */
@JsonTypeName("choice")
public record ChoiceGiven(String choice) implements GivenAnswer {}
