package yendrik.server.kinds.quiz.question.choice;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Choices as they are dealt to a learner. */
@JsonTypeName("choice")
public record ChoicesAsked(List<DealtChoice> choices) implements AskedPart {
  /**
   * @param formatted how it looks, where it is more than plain words
   * @param id its place, so that nothing of how the choices were written can be seen
   */
  public record DealtChoice(String id, String text, Optional<String> formatted) {}
}
