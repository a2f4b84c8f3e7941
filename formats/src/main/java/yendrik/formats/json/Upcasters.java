package yendrik.formats.json;

import tools.jackson.databind.node.ObjectNode;
import yendrik.core.Refusal;

/**
 * Brings facts that were stored in an older form into the present one while they are read. Facts
 * themselves are never rewritten.
 */
final class Upcasters {
  private Upcasters() {}

  /** The same fact in its present form; the one given may be changed. */
  static ObjectNode fact(String name, ObjectNode body) {
    return switch (name) {
      // attempts of before questions carried outcomes say nothing of single outcomes, and before
      // staff marked open texts nothing waited
      case "finished-attempt" -> attempt(body);
      // marks of before courses had statuses of their own: these four, now among the shipped ones
      case "attendance" -> body.has("status") ? body : withStatus(body);
      default -> body;
    };
  }

  private static ObjectNode attempt(ObjectNode body) {
    if (!body.has("waits")) body.put("waits", 0);
    return body.has("parts") ? body : with(body, "parts");
  }

  private static ObjectNode withStatus(ObjectNode body) {
    String presence = body.remove("presence").asString();
    return body.put(
        "status",
        switch (presence) {
          case "PRESENT" -> 1;
          case "LATE" -> 2;
          case "EXCUSED" -> 4;
          case "ABSENT" -> 5;
          default -> throw new Refusal("no-mark-stored", "name", String.valueOf(presence));
        });
  }

  private static ObjectNode with(ObjectNode body, String emptyList) {
    body.putArray(emptyList);
    return body;
  }
}
