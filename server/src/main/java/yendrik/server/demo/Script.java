package yendrik.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.yaml.snakeyaml.Yaml;
import yendrik.core.course.StepKind;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.RubricForms;

/** A course of the demo as its file describes it. */
record Script(String name, String summary, List<ScriptModule> modules, List<ScriptRubric> rubrics) {

  record ScriptModule(String name, List<ScriptStep> steps) {}

  /**
   * @param questions the right choice comes first in the file
   * @param carried codes of the outcomes that single questions carry, by question
   */
  record ScriptStep(
      String key,
      StepKind kind,
      String name,
      int minutes,
      double pass,
      int attempts,
      double points,
      boolean extra,
      List<String> ties,
      String body,
      List<Question> questions,
      Optional<ScriptFilm> film,
      Map<String, String> carried) {}

  /** A rubric and the step that is assessed with it. */
  record ScriptRubric(String step, RubricForms.RubricEdit rubric) {}

  /**
   * @param resource the file beside the courses
   */
  record ScriptFilm(String resource, int seconds) {}

  private static ScriptRubric rubric(
      Map<String, Object> r, Function<String, Optional<Long>> outcomes) {
    List<RubricForms.CriterionEdit> criteria =
        maps(r.get("criteria")).stream().map(c -> criterion(c, outcomes)).toList();
    var edit = new RubricForms.RubricEdit((String) r.get("name"), criteria);
    return new ScriptRubric((String) r.get("step"), edit);
  }

  /** Levels of a criterion with an outcome stand for those of its scale, in their order. */
  private static RubricForms.CriterionEdit criterion(
      Map<String, Object> c, Function<String, Optional<Long>> outcomes) {
    Optional<Long> outcome = Optional.ofNullable((String) c.get("outcome")).flatMap(outcomes);
    List<RubricForms.LevelEdit> levels = new ArrayList<>();
    for (Map<String, Object> l : maps(c.get("levels"))) {
      int key = levels.size();
      levels.add(
          new RubricForms.LevelEdit(
              Optional.empty(),
              (String) l.get("name"),
              (String) l.get("d"),
              number(l, "p").doubleValue(),
              outcome.map(_ -> key)));
    }
    return new RubricForms.CriterionEdit(
        Optional.empty(),
        (String) c.get("name"),
        (String) c.get("description"),
        !Boolean.TRUE.equals(c.get("evidenceOnly")),
        outcome,
        levels);
  }

  static Script read(String resource) {
    return read(resource, _ -> Optional.empty());
  }

  /**
   * @param outcomes finds an outcome by its code
   */
  static Script read(String resource, Function<String, Optional<Long>> outcomes) {
    try (InputStream in = Script.class.getResourceAsStream(resource)) {
      Map<String, Object> all = new Yaml().load(in);
      List<ScriptModule> modules = new ArrayList<>();
      for (Map<String, Object> module : maps(all.get("modules")))
        modules.add(
            new ScriptModule(
                (String) module.get("name"),
                maps(module.get("steps")).stream().map(Script::step).toList()));
      return new Script(
          (String) all.get("name"),
          (String) all.get("summary"),
          modules,
          maps(all.get("rubrics")).stream().map(r -> rubric(r, outcomes)).toList());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @SuppressWarnings("unchecked") // the file's form is ours
  private static List<Map<String, Object>> maps(Object list) {
    return list == null ? List.of() : (List<Map<String, Object>>) list;
  }

  @SuppressWarnings("unchecked") // the file's form is ours
  private static ScriptStep step(Map<String, Object> s) {
    List<Question> questions = new ArrayList<>();
    Map<String, String> carried = new HashMap<>();
    for (Map<String, Object> q : maps(s.get("questions"))) {
      Question question = question(q, questions.size() + 1);
      questions.add(question);
      if (q.get("o") instanceof String code) carried.put(question.id(), code);
    }
    return new ScriptStep(
        (String) s.get("key"),
        CoreJson.word(StepKind.class, (String) s.get("kind")),
        (String) s.get("name"),
        number(s, "minutes").intValue(),
        number(s, "pass").doubleValue(),
        number(s, "attempts").intValue(),
        number(s, "points").doubleValue(),
        Boolean.TRUE.equals(s.get("extra")),
        (List<String>) s.getOrDefault("ties", List.of()),
        (String) s.getOrDefault("body", ""),
        questions,
        Optional.ofNullable((String) s.get("film"))
            .map(f -> new ScriptFilm(f, number(s, "seconds").intValue())),
        carried);
  }

  private static Number number(Map<String, Object> s, String name) {
    return (Number) s.getOrDefault(name, 0);
  }

  @SuppressWarnings("unchecked") // the file's form is ours
  private static Question question(Map<String, Object> q, int number) {
    List<Choices.Choice> choices = new ArrayList<>();
    for (String text : (List<String>) q.get("a"))
      choices.add(new Choices.Choice("abcdef".substring(choices.size(), choices.size() + 1), text));
    double points = ((Number) q.getOrDefault("p", 1)).doubleValue();
    return new Question(
        "q" + number,
        (String) q.get("q"),
        points,
        (String) q.get("f"),
        Optional.empty(),
        new Choices(choices, "a"));
  }
}
