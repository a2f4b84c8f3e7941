package yendrik.server.demo;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import yendrik.core.course.Counts;
import yendrik.core.course.StepKind;
import yendrik.core.id.OutcomeId;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;
import yendrik.core.quiz.taking.Taking;
import yendrik.formats.json.CoreJson;
import yendrik.server.demo.ScriptFile.CriterionText;
import yendrik.server.demo.ScriptFile.LevelText;
import yendrik.server.demo.ScriptFile.QuestionText;
import yendrik.server.demo.ScriptFile.RubricText;
import yendrik.server.demo.ScriptFile.StepText;
import yendrik.server.demo.ScriptFile.TakingText;
import yendrik.server.design.RubricForms;
import yendrik.server.files.FileSort;
import yendrik.server.kinds.DemoScript;

/** A course of the demo as its file describes it. */
record Script(String name, String summary, List<ScriptModule> modules, List<ScriptRubric> rubrics) {

  record ScriptModule(String name, List<ScriptStep> steps) {}

  /**
   * @param questions the right choice comes first in the file
   * @param draws what is drawn beside the questions
   * @param carried codes of the outcomes that single questions carry, by question
   */
  record ScriptStep(
      String key,
      StepKind kind,
      String name,
      int minutes,
      double pass,
      int attempts,
      Counts counts,
      Optional<Taking> taking,
      double points,
      boolean extra,
      List<String> ties,
      String body,
      List<Question> questions,
      Optional<ScriptFilm> film,
      boolean byGroup,
      List<String> files,
      boolean elsewhere,
      Set<FileSort> takes,
      Map<String, String> carried,
      List<DemoScript.DemoDraw> draws) {}

  /** A rubric and the step that is assessed with it. */
  record ScriptRubric(String step, RubricForms.RubricEdit rubric) {}

  /**
   * @param resource the file beside the courses
   */
  record ScriptFilm(String resource, int seconds, List<DemoScript.DemoCaption> captions) {}

  static Script read(String resource) {
    return read(resource, _ -> Optional.empty());
  }

  /**
   * @param outcomes finds an outcome by its code
   */
  static Script read(String resource, Function<String, Optional<OutcomeId>> outcomes) {
    ScriptFile file = ScriptFile.read(resource);
    return new Script(
        file.name(),
        file.summary(),
        file.modules().stream()
            .map(m -> new ScriptModule(m.name(), m.steps().stream().map(Script::step).toList()))
            .toList(),
        file.rubrics().stream().map(r -> rubric(r, outcomes)).toList());
  }

  private static ScriptStep step(StepText step) {
    List<Question> questions = new ArrayList<>();
    Map<String, String> carried = new HashMap<>();
    for (QuestionText text : step.questions()) {
      Question question = question(text, questions.size() + 1);
      questions.add(question);
      text.o().ifPresent(code -> carried.put(question.id(), code));
    }
    return new ScriptStep(
        step.key(),
        CoreJson.word(StepKind.class, step.kind()),
        step.name(),
        step.minutes(),
        step.pass(),
        step.attempts(),
        step.counts().orElse(Counts.BEST),
        step.taking().map(TakingText::taking),
        step.points(),
        step.extra(),
        step.ties(),
        step.body(),
        questions,
        step.film().map(film -> new ScriptFilm(film, step.seconds(), captions(step))),
        step.byGroup(),
        step.files(),
        step.elsewhere(),
        Set.copyOf(step.takes()),
        carried,
        step.draws());
  }

  private static List<DemoScript.DemoCaption> captions(StepText step) {
    return step.captions().stream()
        .map(c -> new DemoScript.DemoCaption(c.from(), c.to(), c.says()))
        .toList();
  }

  private static Question question(QuestionText text, int number) {
    return new Question(
        "q" + number, text.q(), text.p().orElse(1.0), text.f(), Optional.empty(), asked(text));
  }

  private static Asked<?> asked(QuestionText text) {
    if (!text.right().isEmpty()) return several(text);
    if (!text.pairs().isEmpty()) return pairs(text);
    if (!text.order().isEmpty())
      return new OrderWanted(named(text.order(), OrderWanted.Thing::new), /* inPart= */ true);
    if (!text.forms().isEmpty())
      return new WordsWanted(
          text.forms().stream().map(words -> new WordsWanted.Form(words, 1)).toList(),
          /* withCase= */ false);
    if (text.expected().isPresent()) return new TextWanted(text.expected().get());
    if (text.isTrue().isPresent()) return new Statement(text.isTrue().get());
    if (text.gaps().isPresent()) return new GapText(text.gaps().get(), /* withCase= */ false);
    if (text.place().isPresent()) return place(text.place().get());
    if (text.number().isPresent())
      return new NumberWanted(text.number().get(), 0, /* percent= */ false, text.unit().orElse(""));
    return new Choices(named(text.a(), Choices.Choice::new), "a");
  }

  /** Its picture is known once the step has it. */
  private static PlaceWanted place(ScriptFile.PlaceText text) {
    List<Double> at = text.at();
    return new PlaceWanted(
        Optional.empty(),
        text.shows(),
        List.of(
            new PlaceWanted.Area(
                "a",
                text.called(),
                at.get(0),
                at.get(1),
                at.get(2),
                at.get(3),
                /* round= */ false)));
  }

  private static SeveralChoices several(QuestionText text) {
    double share = 1.0 / text.right().size();
    List<String> all = new ArrayList<>(text.right());
    all.addAll(text.wrong());
    return new SeveralChoices(
        named(
            all,
            (id, words) ->
                new SeveralChoices.Choice(
                    id, words, text.right().contains(words) ? share : -share)));
  }

  private static PairsWanted pairs(QuestionText text) {
    List<PairsWanted.Pair> pairs = new ArrayList<>();
    text.pairs()
        .forEach(
            (begins, ends) -> pairs.add(new PairsWanted.Pair(letter(pairs.size()), begins, ends)));
    return new PairsWanted(pairs, text.more());
  }

  private static <T> List<T> named(List<String> words, BiFunction<String, String, T> made) {
    List<T> all = new ArrayList<>();
    for (String one : words) all.add(made.apply(letter(all.size()), one));
    return all;
  }

  private static String letter(int n) {
    return "abcdefghijklmnop".substring(n, n + 1);
  }

  private static ScriptRubric rubric(
      RubricText text, Function<String, Optional<OutcomeId>> outcomes) {
    return new ScriptRubric(
        text.step(),
        new RubricForms.RubricEdit(
            text.name(), text.criteria().stream().map(c -> criterion(c, outcomes)).toList()));
  }

  /** Levels of a criterion with an outcome stand for those of its scale, in their order. */
  private static RubricForms.CriterionEdit criterion(
      CriterionText text, Function<String, Optional<OutcomeId>> outcomes) {
    Optional<OutcomeId> outcome = text.outcome().flatMap(outcomes);
    List<RubricForms.LevelEdit> levels = new ArrayList<>();
    for (LevelText level : text.levels()) {
      int key = levels.size();
      levels.add(
          new RubricForms.LevelEdit(
              Optional.empty(), level.name(), level.d(), level.p(), outcome.map(_ -> key)));
    }
    return new RubricForms.CriterionEdit(
        Optional.empty(), text.name(), text.description(), !text.evidenceOnly(), outcome, levels);
  }
}
