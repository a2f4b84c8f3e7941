package yendrik.server.kinds.quiz.question.order;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Things as they are dealt, not in their right order. */
@JsonTypeName("ordering")
public record OrderAsked(List<DealtThing> things) implements AskedPart {
  /**
   * @param id its place
   */
  public record DealtThing(String id, String text) {}
}
