package yendrik.formats.framework;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import yendrik.core.Plain;
import yendrik.core.outcome.Composition;
import yendrik.core.words.Phrase;
import yendrik.formats.refused.Unreadable;

/** What every format checks in its items, and the faults found so far. */
final class Checks {
  private static final int MOST_FAULTS = 50;
  private final List<Phrase> faults = new ArrayList<>();
  private final Map<String, Phrase> codes = new HashMap<>();
  private final Map<UUID, Phrase> identifiers = new HashMap<>();

  /**
   * @param where the row or item
   * @param code what is wrong, {@code file.} and this in the catalogue
   * @param with what stands in it, names and values in turn
   */
  void fault(Phrase where, String code, Object... with) {
    if (faults.size() < MOST_FAULTS)
      faults.add(Phrase.of("file.fault", "where", where, "what", Phrase.of("file." + code, with)));
  }

  Optional<UUID> identifier(Phrase where, String field, String text) {
    if (text.isBlank()) return Optional.empty();
    try {
      UUID id = UUID.fromString(text.strip());
      Phrase before = identifiers.putIfAbsent(id, where);
      if (before != null) fault(where, "twice", "field", field, "before", before);
      return Optional.of(id);
    } catch (IllegalArgumentException e) {
      fault(where, "no-uuid", "field", field, "text", text);
      return Optional.empty();
    }
  }

  String code(Phrase where, String field, String text) {
    String code = text.strip();
    if (code.isEmpty()) fault(where, "empty", "field", field);
    else if (!Plain.is(code)) fault(where, "unseen", "field", field);
    else if (code.length() > Framework.LONGEST_CODE)
      fault(where, "too-long", "field", field, "most", Framework.LONGEST_CODE);
    else {
      Phrase before = codes.putIfAbsent(code, where);
      if (before != null)
        fault(where, "value-twice", "field", field, "value", code, "before", before);
    }
    return code;
  }

  String statement(Phrase where, String field, String text) {
    String statement = text.strip();
    if (statement.isEmpty()) fault(where, "empty", "field", field);
    else if (!Plain.is(statement)) fault(where, "unseen", "field", field);
    else if (statement.length() > Framework.LONGEST_STATEMENT)
      fault(where, "too-long", "field", field, "most", Framework.LONGEST_STATEMENT);
    return statement;
  }

  /** A longer text as it is, unless it holds what no text can hold. */
  String text(Phrase where, String field, String text) {
    if (!Plain.canBeKept(text)) fault(where, "unseen", "field", field);
    return text;
  }

  /** A way to combine parts; what is not one is a fault. */
  Composition.How way(Phrase where, String field, String text) {
    Optional<Composition.How> how = Ways.of(text);
    if (how.isEmpty()) fault(where, "no-way", "field", field, "text", text);
    return how.orElse(new Composition.All());
  }

  /** The path of a group as it is taken: names cut to their length, and so deep at most. */
  static List<String> group(List<String> path) {
    return path.stream()
        .map(name -> Plain.cleaned(name).strip())
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
