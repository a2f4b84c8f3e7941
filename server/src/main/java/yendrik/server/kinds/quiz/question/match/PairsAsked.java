package yendrik.server.kinds.quiz.question.match;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Beginnings, and ends as they are dealt. */
@JsonTypeName("matching")
public record PairsAsked(List<DealtWords> begins, List<DealtWords> ends) implements AskedPart {
  /**
   * @param id its place
   */
  public record DealtWords(String id, String text) {}
}
