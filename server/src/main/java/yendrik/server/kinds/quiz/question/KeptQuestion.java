package yendrik.server.kinds.quiz.question;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;
import yendrik.server.design.Carrying;
import yendrik.server.design.TextFiles;

/**
 * A question as it is kept in the content of a step.
 *
 * @param bank which of the course's questions it is, as it was then; none for the quiz's own
 * @param part what its kind keeps, with the kind's name in {@code is}
 */
public record KeptQuestion(
    String id,
    String text,
    Optional<String> formatted,
    double points,
    String feedback,
    List<KeptHint> hints,
    Optional<OutcomeId> outcome,
    Optional<QuestionId> bank,
    ObjectNode part) {
  private static final String FORMATTED = "formatted";
  private static final String PICTURE = "picture";
  private static final String RUBRIC = "rubric";

  /** Help with it. */
  record KeptHint(String text, double cost) {}

  public KeptQuestion {
    hints = List.copyOf(hints);
  }

  /** Brings questions of before there was more than one kind, or help, into the present form. */
  public static ObjectNode now(ObjectNode kept) {
    if (!kept.has("part")) {
      ObjectNode part = kept.putObject("part").put("is", "choice");
      for (String name : new String[] {"choices", "right"}) part.set(name, kept.remove(name));
    }
    if (!kept.has("hints")) kept.putArray("hints");
    return kept;
  }

  /** What one of the course's questions is called in a quiz. */
  public static String called(QuestionId bank) {
    return "b" + bank.value();
  }

  /** A question of the course as a quiz asks it. */
  public KeptQuestion of(QuestionId question) {
    return as(called(question), points, outcome, Optional.of(question));
  }

  /** What a question of the course asks now, for what it was when the quiz took it. */
  public KeptQuestion now(KeptQuestion question) {
    return question.as(id, points, outcome, bank);
  }

  private KeptQuestion as(
      String name, double worth, Optional<OutcomeId> carried, Optional<QuestionId> taken) {
    return new KeptQuestion(name, text, formatted, worth, feedback, hints, carried, taken, part);
  }

  private KeptQuestion named() {
    return bank.map(this::of).orElse(this);
  }

  /** The files that it shows. */
  public Set<Long> files() {
    Set<Long> files = new HashSet<>(TextFiles.of(formatted.orElse("")));
    for (JsonNode html : part.findValues(FORMATTED)) files.addAll(TextFiles.of(html.asString("")));
    if (part.path(PICTURE).isIntegralNumber()) files.add(part.path(PICTURE).asLong());
    return files;
  }

  /** What it is assessed with, if anything. */
  public Optional<RubricId> rubric() {
    return Optional.of(part.path(RUBRIC))
        .filter(JsonNode::isIntegralNumber)
        .map(id -> new RubricId(id.asLong()));
  }

  /** The same in another course. */
  public KeptQuestion carried(Carrying to) {
    ObjectNode there = part.deepCopy();
    carry(there, to);
    if (there.path(PICTURE).isIntegralNumber())
      to.file(there.path(PICTURE).asLong())
          .ifPresentOrElse(file -> there.put(PICTURE, file), () -> there.remove(PICTURE));
    rubric()
        .flatMap(to::rubric)
        .ifPresentOrElse(r -> there.put(RUBRIC, r.value()), () -> there.remove(RUBRIC));
    return new KeptQuestion(
            id,
            text,
            formatted.map(to::text),
            points,
            feedback,
            hints,
            outcome.flatMap(to::outcome),
            bank.flatMap(to::question),
            there)
        .named();
  }

  private static void carry(JsonNode node, Carrying to) {
    if (node instanceof ObjectNode object && object.path(FORMATTED).isString())
      object.put(FORMATTED, to.text(object.path(FORMATTED).asString()));
    if (node instanceof ObjectNode || node instanceof ArrayNode)
      for (JsonNode inner : node) carry(inner, to);
  }
}
