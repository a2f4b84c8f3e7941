package yendrik.server.kinds.quiz.question;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.JSON;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.Quiz;
import yendrik.core.rubric.Rubric;
import yendrik.formats.json.CoreJson;

/** The result of an attempt as it is kept. */
public record KeptResult(double points, double of, List<KeptAnswered> answers) {
  public KeptResult {
    answers = List.copyOf(answers);
  }

  /**
   * @param share of its points; none while it waits for staff
   * @param said what staff said about it
   * @param met what they saw met of a rubric
   */
  record KeptAnswered(
      String question,
      Optional<Double> share,
      double points,
      Optional<String> said,
      Optional<List<Rubric.Met>> met) {}

  /** As it is kept. */
  public static JSON of(Quiz.Result result) {
    var kept =
        new KeptResult(
            result.points(),
            result.of(),
            result.answers().stream()
                .map(a ->
                    new KeptAnswered(
                        a.question(),
                        share(a.mark()),
                        a.points(),
                        Optional.of(a.comment()).filter(c -> !c.isEmpty()),
                        Optional.of(a.met()).filter(met -> !met.isEmpty())))
                .toList());
    return JSON.valueOf(CoreJson.mapper().writeValueAsString(kept));
  }

  /** Reads what is kept, in whatever form that was. */
  public static Quiz.Result read(JSON json) {
    var tree = (ObjectNode) CoreJson.mapper().readTree(json.data());
    List<Quiz.Answered> answers = new ArrayList<>();
    for (JsonNode answered : tree.path("answers")) answers.add(answered((ObjectNode) answered));
    return new Quiz.Result(tree.path("points").asDouble(), tree.path("of").asDouble(), answers);
  }

  /** Whether a rubric was gone through: quotes within texts are kept with a backslash. */
  public static Condition withRubric(Field<JSON> result) {
    return result.cast(String.class).contains("\"met\":");
  }

  /** By hand: many thousands are read for the figures of a quiz. */
  private static Quiz.Answered answered(ObjectNode kept) {
    return new Quiz.Answered(
        kept.path("question").asString(),
        mark(kept),
        kept.path("points").asDouble(),
        kept.path("said").asString(""),
        kept.path("met").valueStream().map(KeptResult::met).toList());
  }

  private static Rubric.Met met(JsonNode kept) {
    return new Rubric.Met(
        kept.path("criterion").asInt(),
        kept.path("level").asInt(),
        kept.path("comment").asString(""));
  }

  private static Optional<Double> share(Mark mark) {
    return switch (mark) {
      case Mark.Marked(double share) -> Optional.of(share);
      case Mark.ForStaff() -> Optional.empty();
    };
  }

  /** Marks once stood by themselves, and before that questions were right or wrong. */
  private static Mark mark(ObjectNode kept) {
    if (kept.has("right")) return new Mark.Marked(kept.path("right").asBoolean() ? 1 : 0);
    JsonNode share = kept.has("mark") ? kept.path("mark").path("share") : kept.path("share");
    return share.isNumber() ? new Mark.Marked(share.asDouble()) : new Mark.ForStaff();
  }
}
