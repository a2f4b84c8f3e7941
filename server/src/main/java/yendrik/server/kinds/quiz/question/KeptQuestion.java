package yendrik.server.kinds.quiz.question;

import java.util.Optional;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.OutcomeId;

/**
 * A question as it is kept in the content of a step.
 *
 * @param part what its kind keeps, with the kind's name in {@code is}
 */
public record KeptQuestion(
    String id,
    String text,
    double points,
    String feedback,
    Optional<OutcomeId> outcome,
    ObjectNode part) {
  /** Brings questions of before there was more than one kind into the present form. */
  static ObjectNode now(ObjectNode kept) {
    if (kept.has("part")) return kept;
    ObjectNode part = kept.putObject("part").put("is", "choice");
    for (String name : new String[] {"choices", "right"}) part.set(name, kept.remove(name));
    return kept;
  }
}
