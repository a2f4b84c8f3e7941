package yendrik.server.demo;

import static java.util.Objects.requireNonNullElse;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.dataformat.yaml.YAMLMapper;
import yendrik.core.course.Counts;
import yendrik.core.quiz.taking.Band;
import yendrik.core.quiz.taking.Limit;
import yendrik.core.quiz.taking.Pages;
import yendrik.core.quiz.taking.Review;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.quiz.taking.TimeUp;
import yendrik.server.files.FileSort;
import yendrik.server.kinds.DemoScript;

/** The file of a demo's course, as it is written; what is left out is nothing, none or no. */
record ScriptFile(String name, String summary, List<ModuleText> modules, List<RubricText> rubrics) {
  private static final ObjectMapper YAML =
      YAMLMapper.builder()
          .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .build();

  ScriptFile {
    modules = requireNonNullElse(modules, List.of());
    rubrics = requireNonNullElse(rubrics, List.of());
  }

  record ModuleText(String name, List<StepText> steps) {}

  /**
   * @param kind as it is stored
   * @param pass from 0 to 1
   * @param counts which attempt counts, the best without
   * @param extra whether it is no required one
   * @param ties codes of outcomes that it gives evidence of
   * @param film the file beside the courses
   * @param byGroup whether each group has it by itself
   * @param files beside the courses, which its text names as {@code [name]}
   * @param elsewhere whether it leads to the host of films elsewhere
   * @param draws questions that are drawn from those of the course
   * @param takes what of files can be handed in beside a text
   */
  record StepText(
      String key,
      String kind,
      String name,
      int minutes,
      double pass,
      int attempts,
      Optional<Counts> counts,
      Optional<TakingText> taking,
      double points,
      boolean extra,
      List<String> ties,
      String body,
      List<QuestionText> questions,
      Optional<String> film,
      int seconds,
      boolean byGroup,
      List<String> files,
      boolean elsewhere,
      List<FileSort> takes,
      List<CaptionText> captions,
      List<DemoScript.DemoDraw> draws) {
    StepText {
      draws = requireNonNullElse(draws, List.of());
      takes = requireNonNullElse(takes, List.of());
      captions = requireNonNullElse(captions, List.of());
      files = requireNonNullElse(files, List.of());
      ties = requireNonNullElse(ties, List.of());
      body = requireNonNullElse(body, "");
      questions = requireNonNullElse(questions, List.of());
    }
  }

  /**
   * How a quiz is taken, where it is not in the usual way.
   *
   * @param limit minutes
   * @param timeUp what happens when they are over
   * @param grace minutes to finish what was begun
   * @param pause minutes between attempts
   * @param word that is said in the room
   * @param bands words by the share from which they are said
   */
  record TakingText(
      Optional<Integer> limit,
      Optional<TimeUp> timeUp,
      int grace,
      int pause,
      Optional<String> word,
      Optional<Pages> pages,
      boolean mixed,
      boolean selfCheck,
      Optional<Review.When> right,
      Map<Double, String> bands) {
    TakingText {
      bands = requireNonNullElse(bands, Map.of());
    }

    Taking taking() {
      Review usual = selfCheck ? Review.AT_ONCE : Review.USUAL;
      return new Taking(
          limit.map(minutes -> new Limit(minutes, timeUp.orElse(TimeUp.HANDED_IN), grace)),
          pause,
          word.orElse(""),
          pages.orElse(Pages.ALL),
          mixed,
          true,
          new Review(usual.own(), right.orElse(usual.right()), usual.feedback(), usual.marks()),
          bands.entrySet().stream().map(b -> new Band(b.getKey(), b.getValue())).toList(),
          selfCheck);
    }
  }

  /**
   * @param from seconds from the film's beginning
   * @param to the same of its end
   */
  record CaptionText(int from, int to, String says) {}

  /**
   * @param q what is asked
   * @param a the choices; the right one comes first
   * @param right choices of which several are right
   * @param wrong choices that take as much away as a right one gives
   * @param pairs what belongs together
   * @param more ends that belong to nothing
   * @param order things in their right order
   * @param forms words that are taken
   * @param expected what a good text says, where staff mark it
   * @param isTrue whether what is asked is a statement that is true
   * @param gaps a text with gaps in it
   * @param number that is right, give or take nothing
   * @param unit of the number
   * @param place on a picture that its step has
   * @param f said afterwards
   * @param p points, 1 without
   * @param o the code of the outcome that it carries
   */
  record QuestionText(
      String q,
      List<String> a,
      List<String> right,
      List<String> wrong,
      Map<String, String> pairs,
      List<String> more,
      List<String> order,
      List<String> forms,
      Optional<String> expected,
      Optional<Boolean> isTrue,
      Optional<String> gaps,
      Optional<Double> number,
      Optional<String> unit,
      Optional<PlaceText> place,
      String f,
      Optional<Double> p,
      Optional<String> o) {
    QuestionText {
      a = requireNonNullElse(a, List.of());
      right = requireNonNullElse(right, List.of());
      wrong = requireNonNullElse(wrong, List.of());
      pairs = requireNonNullElse(pairs, Map.of());
      more = requireNonNullElse(more, List.of());
      order = requireNonNullElse(order, List.of());
      forms = requireNonNullElse(forms, List.of());
    }
  }

  /**
   * A right place on a picture.
   *
   * @param shows what the picture shows
   * @param at from the left, from the top, width and height, in shares of the picture
   */
  record PlaceText(String shows, String called, List<Double> at) {}

  /**
   * @param step which is assessed with it
   */
  record RubricText(String name, String step, List<CriterionText> criteria) {}

  record CriterionText(
      String name,
      String description,
      Optional<String> outcome,
      boolean evidenceOnly,
      List<LevelText> levels) {}

  /**
   * @param p points
   * @param d what it looks like
   */
  record LevelText(String name, double p, String d) {}

  static ScriptFile read(String resource) {
    try (InputStream in =
        Objects.requireNonNull(ScriptFile.class.getResourceAsStream(resource), resource)) {
      return YAML.readValue(in, ScriptFile.class);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
