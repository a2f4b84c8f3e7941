package yendrik.formats.qti;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Shown;
import yendrik.core.words.Phrase;

/** Reads an item as a question, and notes what of it becomes something else here. */
final class ReadItem {
  private static final Set<String> SCORING =
      Set.of(
          "responseProcessing",
          "responseCondition",
          "responseIf",
          "responseElseIf",
          "responseElse",
          "match",
          "variable",
          "correct",
          "setOutcomeValue",
          "baseValue",
          "mapResponse",
          "mapResponsePoint",
          "equal",
          "isNull",
          "sum",
          "multiple",
          "member",
          "not",
          "and",
          "or");

  private final Tag item;
  private final Shows shows;
  private final String title;
  private final List<QtiNote> notes = new ArrayList<>();
  private final Map<String, Declared> declared = new HashMap<>();
  private final List<String> saidOfChoices = new ArrayList<>();

  ReadItem(Tag item, Shows shows) {
    this.item = item;
    this.shows = shows;
    title = item.attr("title").or(() -> item.attr("identifier")).orElse("");
    for (Tag declaration : item.children("responseDeclaration"))
      declared.put(declaration.attr("identifier").orElse(""), Declared.of(declaration));
  }

  String title() {
    return title;
  }

  List<QtiNote> notes() {
    return notes;
  }

  void changed(String key, Object... with) {
    notes.add(new QtiNote(title, false, Phrase.of("qti.changed." + key, with)));
  }

  Declared declared(Tag interaction) {
    return interaction
        .attr("responseIdentifier")
        .map(declared::get)
        .filter(Objects::nonNull)
        .orElse(Declared.NOTHING);
  }

  static boolean isInteraction(Tag tag) {
    return tag.name().endsWith("Interaction");
  }

  /** What learners are not shown around the answers. */
  static boolean beside(Tag tag) {
    if (tag.is("rubricBlock")) return !isFor(tag, "candidate");
    return isInteraction(tag)
        || Set.of("feedbackBlock", "feedbackInline", "stylesheet", "printedVariable")
            .contains(tag.name());
  }

  /**
   * The question.
   *
   * @throws Left if it cannot be asked here
   */
  Question read(String id) throws Left {
    Tag body = item.child("itemBody").orElseThrow(() -> new Left("no-body"));
    if (item.attr("adaptive").equals(Optional.of("true"))) throw new Left("adaptive");
    if (item.child("templateDeclaration").isPresent()) throw new Left("template");
    List<Tag> interactions = body.all().stream().filter(ReadItem::isInteraction).toList();
    if (interactions.isEmpty()) throw new Left("nothing-asked");
    var parts = new ReadParts(this, shows, body);
    Asked<?> asked = parts.asked(interactions);
    var question =
        new Question(
            id,
            shown(body, interactions, parts),
            points(interactions),
            feedback(),
            List.of(),
            Optional.empty(),
            asked);
    for (Lack lack : question.lacks()) throw new Left("lacks", "lacks", lack.words());
    if (shows.lost()) changed("not-shown");
    if (!body.all("feedbackBlock").isEmpty()) changed("said-in-between");
    scoring();
    return question;
  }

  private Shown shown(Tag body, List<Tag> interactions, ReadParts parts) {
    Shown around = parts.text().orElseGet(() -> shows.of(body.children(), ReadItem::beside));
    Shown whole =
        interactions.stream()
            .flatMap(i -> i.child("prompt").stream())
            .map(prompt -> shows.in(prompt, ReadItem::beside))
            .reduce(around, ReadItem::together);
    return whole.isBlank() ? Shown.of(title) : whole;
  }

  private static Shown together(Shown first, Shown then) {
    if (first.isBlank()) return then;
    if (then.isBlank()) return first;
    boolean looks = first.formatted().isPresent() || then.formatted().isPresent();
    return new Shown(
        first.text() + "\n" + then.text(),
        looks ? Optional.of(html(first) + html(then)) : Optional.empty());
  }

  private static String html(Shown shown) {
    return shown
        .formatted()
        .map(html -> html.startsWith("<p>") ? html : "<p>" + html + "</p>")
        .orElseGet(() ->
            shown
                .text()
                .lines()
                .map(line -> "<p>" + Shows.escaped(line) + "</p>")
                .collect(Collectors.joining()));
  }

  private double points(List<Tag> interactions) {
    Optional<Double> score =
        item.children("outcomeDeclaration").stream()
            .filter(o -> o.attr("identifier").equals(Optional.of("SCORE")))
            .findFirst()
            .flatMap(o -> o.number("normalMaximum"));
    double mapped =
        interactions.stream().flatMap(i -> declared(i).points().stream()).mapToDouble(d -> d).sum();
    return Stream.of(score, most(), Optional.of(mapped), set())
        .flatMap(Optional::stream)
        .filter(points -> points > 0 && points <= Question.MOST_POINTS)
        .findFirst()
        .orElse(1.0);
  }

  private Optional<Double> most() {
    return item.children("outcomeDeclaration").stream()
        .filter(o -> o.attr("identifier").equals(Optional.of("MAXSCORE")))
        .findFirst()
        .flatMap(o -> o.first("value"))
        .flatMap(value -> Tag.toNumber(value.text()));
  }

  /** The most that is given where the score is set to a number. */
  private Optional<Double> set() {
    return item.all("setOutcomeValue").stream()
        .filter(o -> o.attr("identifier").equals(Optional.of("SCORE")))
        .flatMap(o -> o.children("baseValue").stream())
        .flatMap(value -> Tag.toNumber(value.text()).stream())
        .max(Double::compare);
  }

  /** What is said to who made a choice, which is then not said to all. */
  String saidOf(String choice, Tag of) {
    List<String> said =
        Stream.concat(
                of.all("feedbackInline").stream().map(Tag::text),
                item.children("modalFeedback").stream()
                    .filter(f -> f.attr("identifier").equals(Optional.of(choice)))
                    .map(this::words))
            .filter(words -> !words.isEmpty())
            .toList();
    saidOfChoices.add(choice);
    return String.join("\n", said);
  }

  private String words(Tag tag) {
    return shows.in(tag, _ -> false).text();
  }

  private String feedback() {
    List<String> said =
        item.children("modalFeedback").stream()
            .filter(f -> !saidOfChoices.contains(f.attr("identifier").orElse("")))
            .map(this::words)
            .filter(words -> !words.isEmpty())
            .distinct()
            .toList();
    if (said.size() > 1) changed("feedback");
    return String.join("\n", said);
  }

  /** How far a number may be off; whether that is percent, and by how much. */
  record Tolerance(boolean percent, double off) {}

  Tolerance tolerance() {
    for (Tag equal : item.all("equal")) {
      String mode = equal.attr("toleranceMode").orElse("exact");
      double off =
          Stream.of(equal.attr("tolerance").orElse("0").strip().split("\\s+"))
              .flatMap(n -> Tag.toNumber(n).stream())
              .mapToDouble(Math::abs)
              .max()
              .orElse(0);
      if (!mode.equals("exact")) return new Tolerance(mode.equals("relative"), off);
    }
    return new Tolerance(false, 0);
  }

  private static boolean isFor(Tag rubricBlock, String view) {
    return List.of(rubricBlock.attr("view").orElse("").split("\\s+")).contains(view);
  }

  /** What a good answer says, for those who mark it. */
  String expected() {
    return item.all("rubricBlock").stream()
        .filter(r -> isFor(r, "scorer"))
        .map(this::words)
        .collect(Collectors.joining("\n"));
  }

  /** What areas of a picture are called, where those who mark it are told. */
  List<String> called() {
    return item.all("rubricBlock").stream()
        .flatMap(r -> r.all("li").stream())
        .map(Tag::text)
        .toList();
  }

  private void scoring() {
    Optional<Tag> processing = item.child("responseProcessing");
    boolean unknown =
        processing.stream()
            .flatMap(p -> p.all().stream())
            .anyMatch(t -> !SCORING.contains(t.name()));
    if (unknown) changed("scoring");
  }
}
