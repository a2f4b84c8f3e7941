package yendrik.formats.framework;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import yendrik.core.outcome.Composition;

/** What every format checks in its items, and the faults found so far. */
final class Checks {
  private static final int MOST_FAULTS = 50;
  private final List<String> faults = new ArrayList<>();
  private final Map<String, String> codes = new HashMap<>();
  private final Map<UUID, String> identifiers = new HashMap<>();

  void fault(String where, String what) {
    if (faults.size() < MOST_FAULTS) faults.add(where + ": " + what);
  }

  Optional<UUID> identifier(String where, String field, String text) {
    if (text.isBlank()) return Optional.empty();
    try {
      UUID id = UUID.fromString(text.strip());
      String before = identifiers.putIfAbsent(id, where);
      if (before != null) fault(where, field + " stands at " + before + " too.");
      return Optional.of(id);
    } catch (IllegalArgumentException e) {
      fault(where, field + " “" + text + "” is no UUID.");
      return Optional.empty();
    }
  }

  String code(String where, String field, String text) {
    String code = text.strip();
    if (code.isEmpty()) fault(where, field + " is empty.");
    else if (code.length() > Framework.LONGEST_CODE)
      fault(where, field + " is longer than " + Framework.LONGEST_CODE + " characters.");
    else {
      String before = codes.putIfAbsent(code, where);
      if (before != null) fault(where, field + " “" + code + "” stands at " + before + " too.");
    }
    return code;
  }

  String statement(String where, String field, String text) {
    String statement = text.strip();
    if (statement.isEmpty()) fault(where, field + " is empty.");
    else if (statement.length() > Framework.LONGEST_STATEMENT)
      fault(where, field + " is longer than " + Framework.LONGEST_STATEMENT + " characters.");
    return statement;
  }

  /** A way to combine parts; what is not one is a fault. */
  Composition.How way(String where, String field, String text) {
    Optional<Composition.How> how = Ways.of(text);
    if (how.isEmpty())
      fault(where, field + " “" + text + "” is none of: all, at least 2, mean, lowest.");
    return how.orElse(new Composition.All());
  }

  /** The path of a group as it is taken: names cut to their length, and so deep at most. */
  static List<String> group(List<String> path) {
    return path.stream()
        .map(String::strip)
        .filter(name -> !name.isEmpty())
        .map(name ->
            name.length() <= Framework.LONGEST_GROUP
                ? name
                : name.substring(0, Framework.LONGEST_GROUP - 1).stripTrailing() + "…")
        .limit(Framework.DEEPEST_GROUP)
        .toList();
  }

  /** Refuses the file if anything was found. */
  void refuse() {
    if (!faults.isEmpty()) throw new Unreadable(faults);
  }
}
