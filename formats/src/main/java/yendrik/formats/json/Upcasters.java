package yendrik.formats.json;

import tools.jackson.databind.node.ObjectNode;

/**
 * Brings facts that were stored in an older form into the present one while they are read. Facts
 * themselves are never rewritten.
 */
final class Upcasters {
  private Upcasters() {}

  /** The same fact in its present form; the one given may be changed. */
  static ObjectNode fact(String name, ObjectNode body) {
    return switch (name) {
      // attempts of before questions carried outcomes say nothing of single outcomes
      case "finished-attempt" -> body.has("parts") ? body : with(body, "parts");
      default -> body;
    };
  }

  private static ObjectNode with(ObjectNode body, String emptyList) {
    body.putArray(emptyList);
    return body;
  }
}
