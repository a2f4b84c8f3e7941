package yendrik.server.kinds.quiz.question.several;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Choices as they are dealt to a learner. */
@JsonTypeName("several")
public record SeveralAsked(List<DealtShare> choices) implements AskedPart {
  /**
   * @param id its place
   */
  public record DealtShare(String id, String text) {}
}
