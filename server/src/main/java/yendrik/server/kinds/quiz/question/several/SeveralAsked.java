package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import java.util.Optional;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Choices as they are dealt to a learner. */
@JsonTypeName("several")
public record SeveralAsked(List<DealtShare> choices) implements AskedPart {
  /**
   * @param id its place
   * @param formatted how it looks, where it is more than plain words
   */
  public record DealtShare(String id, String text, Optional<String> formatted) {}
}
