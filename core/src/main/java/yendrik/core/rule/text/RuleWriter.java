package yendrik.core.rule.text;

import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.Id;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;

/**
 * Writes a rule as text that {@link RuleReader} reads back to the same rule:
 *
 * <pre>
 * all of (
 *   "Pads, cables, levers" scored 60 % to 100 %;
 *   any of (in group "Saturday"; approved by facilitator)
 * )
 * </pre>
 *
 * Names stand in quotes, a quote in a name twice; of two things of one name each has its number
 * behind it. Moments are those of the course's time zone. What is gone is written by its number
 * alone.
 */
public final class RuleWriter {
  /** A joint that is longer has its parts on lines of their own. */
  private static final int LINE = 72;

  private static final DateTimeFormatter MINUTE =
      DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm", Locale.ROOT);

  private final Named named;
  private final ZoneId zone;

  private RuleWriter(CourseDesign design, RuleAt at) {
    named = new Named(design, at);
    zone = design.zone();
  }

  /**
   * The text of a rule.
   *
   * @param at where it stands: its own step is "this step"
   */
  public static String write(Condition rule, CourseDesign design, RuleAt at) {
    return new RuleWriter(design, at).written(rule, "");
  }

  private String written(Condition node, String indent) {
    if (node instanceof Condition.Ask(var _, var leaf)) return leaf(leaf);
    String head = head(node);
    String inOne = head + inOne(node);
    if (indent.length() + inOne.length() <= LINE) return inOne;
    String deeper = indent + "  ";
    return node.parts().stream()
        .map(p -> deeper + written(p, deeper))
        .collect(Collectors.joining(";\n", head + "(\n", "\n" + indent + ")"));
  }

  private String inOne(Condition node) {
    return node.parts().stream()
        .map(p -> p instanceof Condition.Ask(var _, var l) ? leaf(l) : head(p) + inOne(p))
        .collect(Collectors.joining("; ", "(", ")"));
  }

  private static String head(Condition joint) {
    return switch (joint) {
      case Condition.All _ -> "all of ";
      case Condition.Any _ -> "any of ";
      case Condition.None _ -> "none of ";
      case Condition.AtLeast some -> "at least " + some.n() + " of ";
      case Condition.After after ->
          after.days() + (after.days() == 1 ? " day after " : " days after ");
      case Condition.Ask _ -> throw new IllegalArgumentException("a question is no joint");
    };
  }

  private String leaf(Leaf leaf) {
    Form form =
        Forms.ALL.stream()
            .filter(f -> f.leaf() == leaf.getClass() && fits(f, leaf))
            .findFirst()
            .orElseThrow(() -> new IllegalStateException(leaf + " has no form"));
    var out = new StringBuilder();
    boolean one = false;
    for (String piece : form.pieces()) {
      String word = piece;
      if (Form.isSlot(piece)) {
        Object value = Slots.value(leaf, Form.slot(piece));
        word = slot(leaf, Form.slot(piece), value);
        if (value instanceof Enum<?> && one) word = Token.singular(word);
        one = value.equals(1);
      } else if (one && piece.endsWith("s")) {
        word = Token.singular(piece);
        one = false;
      }
      if (!out.isEmpty()) out.append(' ');
      out.append(word);
    }
    return out.toString();
  }

  /** A form has no slot for what is not there, and one for all that is. */
  private static boolean fits(Form form, Leaf leaf) {
    for (RecordComponent part : leaf.getClass().getRecordComponents())
      if (Slots.raw(leaf, part) instanceof Optional<?> optional
          && optional.isPresent() != form.has(part.getName())) return false;
    return true;
  }

  private String slot(Leaf leaf, String slot, Object value) {
    return switch (value) {
      case Integer key when slot.equals("level") ->
          quoted(named.level(Slots.outcome(leaf), key).orElse("#" + key));
      case Integer n -> n.toString();
      case Double share ->
          BigDecimal.valueOf(share).movePointRight(2).stripTrailingZeros().toPlainString();
      case Instant moment -> moment(moment);
      case Enum<?> word -> word.name().toLowerCase(Locale.ROOT);
      case Collection<?> ids ->
          ids.stream().map(id -> "#" + id).sorted().collect(Collectors.joining(", "));
      case Id id -> name(slot, id);
      default -> throw new IllegalStateException("no way to write " + value);
    };
  }

  private String name(String sort, Id id) {
    if (named.thisStep().filter(id::equals).isPresent()) return "this step";
    List<Named.Thing> all = named.all(sort);
    Optional<String> name =
        all.stream().filter(t -> t.id().equals(id)).findFirst().map(Named.Thing::name);
    if (name.isEmpty()) return "#" + id;
    boolean alone = all.stream().filter(t -> Slots.isCalled(t, name.get())).count() == 1;
    return alone ? quoted(name.get()) : quoted(name.get()) + " #" + id;
  }

  private static String quoted(String name) {
    return '"' + name.replace("\"", "\"\"") + '"';
  }

  /** Without seconds where there are none, and with its offset where the clock shows it twice. */
  private String moment(Instant moment) {
    var offset = zone.getRules().getOffset(moment);
    LocalDateTime local = LocalDateTime.ofInstant(moment, offset);
    boolean whole = local.getSecond() == 0 && local.getNano() == 0;
    String said = whole ? MINUTE.format(local) : local.toString().replace('T', ' ');
    return zone.getRules().getValidOffsets(local).size() > 1 ? said + offset.getId() : said;
  }
}
