package yendrik.server.demo;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.LEARNER_GROUP;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.SCALE;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import org.jooq.DSLContext;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Scale;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.rubric.Rubric;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.formats.questions.QuestionText;
import yendrik.server.design.Adoption;
import yendrik.server.design.BadgeDrafts;
import yendrik.server.design.BadgeFace;
import yendrik.server.design.DesignEdits;
import yendrik.server.design.DesignViews;
import yendrik.server.design.Drafts;
import yendrik.server.design.Json;
import yendrik.server.design.OutcomeForms;
import yendrik.server.design.RubricForms;
import yendrik.server.design.Rubrics;
import yendrik.server.files.FileSort;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.http.FieldsEdit;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.quiz.bank.BankForms;
import yendrik.server.kinds.quiz.question.KeptQuestion;

/** Writes one course of the demo through the same drafting as designers use. */
final class Author {
  private final DSLContext db;
  private final Drafts drafts;
  private final Acts acts;
  private final Adoption adoption;
  private final Rubrics rubricsOfCourse;
  private final Files files;
  private final PersonId by;
  final CourseId course;
  final Map<String, StepId> steps = new HashMap<>();
  final List<ModuleId> modules = new ArrayList<>();
  private final Map<String, OutcomeId> outcomes = new HashMap<>();
  private final Map<String, DesignViews.OutcomeView> outcomeViews = new HashMap<>();
  private final Map<String, GroupId> groups = new HashMap<>();
  private final Map<String, BadgeId> badges = new HashMap<>();
  private final Map<StepId, Script.ScriptStep> scripts = new HashMap<>();
  private final Map<StepId, RubricId> rubrics = new HashMap<>();
  private final Map<StepId, List<DesignEdits.AllowanceEdit>> allowances = new HashMap<>();
  private final Map<String, Question> banked = new HashMap<>();
  private final Map<String, RubricForms.RubricView> rubricViews = new HashMap<>();
  private final Map<StepId, DemoScript.DemoFilm> films = new HashMap<>();
  private final Map<StepId, Map<String, Long>> kept = new HashMap<>();
  private final Map<StepId, DesignViews.StepView> views = new HashMap<>();
  private final Map<ModuleId, DesignViews.ModuleView> moduleViews = new HashMap<>();
  private List<String> group = List.of();
  private int nodes;

  Author(
      DSLContext db,
      Drafts drafts,
      Acts acts,
      Adoption adoption,
      Rubrics rubrics,
      Files files,
      PersonId by,
      CourseId course) {
    this.db = db;
    this.acts = acts;
    this.adoption = adoption;
    this.drafts = drafts;
    this.rubricsOfCourse = rubrics;
    this.files = files;
    this.by = by;
    this.course = course;
  }

  /** Adopts an outcome of a framework. */
  void adopt(Author framework, String code) {
    adoption.adopt(course, framework.course, List.of(known(framework.outcomes, code)), List.of());
    outcomes.put(
        code,
        db.select(OUTCOME.ID)
            .from(OUTCOME)
            .where(OUTCOME.COURSE_ID.eq(course), OUTCOME.CODE.eq(code))
            .fetchSingle(OUTCOME.ID));
  }

  /** Adopts the only scale of a framework, unless it is here. */
  ScaleId adoptScale(Author framework) {
    ScaleId theirs =
        db.select(SCALE.ID)
            .from(SCALE)
            .where(SCALE.COURSE_ID.eq(framework.course))
            .fetchSingle(SCALE.ID);
    adoption.adopt(course, framework.course, List.of(), List.of(theirs));
    return db.select(SCALE.ID)
        .from(SCALE)
        .where(SCALE.COURSE_ID.eq(course), SCALE.ADOPTED_FROM.eq(theirs))
        .fetchSingle(SCALE.ID);
  }

  /** Writes an outcome anew in other words. */
  void reword(String code, String description) {
    var view = known(outcomeViews, code);
    var edit =
        new DesignEdits.OutcomeEdit(
            code,
            view.name(),
            description,
            view.scale(),
            view.levelRule(),
            view.madeOf(),
            Optional.of(view.group()),
            Optional.of(view.retired()));
    outcomeViews.put(code, drafts.outcomes().change(course, view.id(), view.version(), edit));
  }

  ScaleId scale(String name, int mastery, Scale.Level... levels) {
    return db.insertInto(SCALE)
        .set(SCALE.COURSE_ID, course)
        .set(SCALE.NAME, name)
        .set(SCALE.LEVELS, List.of(levels))
        .set(SCALE.MASTERY, mastery)
        .returning(SCALE.ID)
        .fetchSingle(SCALE.ID);
  }

  void outcome(ScaleId scale, String code, String name, String description, LevelMethod method) {
    outcome(scale, code, name, description, method, Optional.empty());
  }

  /** The group that outcomes written from here on stand in. */
  void group(List<String> path) {
    group = path;
  }

  /** An outcome made of others that are written already. */
  void composed(
      ScaleId scale,
      String code,
      String name,
      String description,
      OutcomeForms.How how,
      String... of) {
    List<OutcomeId> parts = Arrays.stream(of).map(part -> known(outcomes, part)).toList();
    var madeOf = new OutcomeForms.MadeOfForm(how, 1, parts);
    outcome(scale, code, name, description, new LevelMethod.MostRecent(), Optional.of(madeOf));
  }

  private void outcome(
      ScaleId scale,
      String code,
      String name,
      String description,
      LevelMethod method,
      Optional<OutcomeForms.MadeOfForm> madeOf) {
    var rule = OutcomeForms.LevelRuleForm.of(LevelRule.of(method));
    var edit =
        new DesignEdits.OutcomeEdit(
            code, name, description, scale, rule, madeOf, Optional.of(group), Optional.empty());
    DesignViews.OutcomeView added = drafts.outcomes().add(course, edit);
    outcomeViews.put(code, added);
    outcomes.put(code, added.id());
  }

  GroupId group(String name) {
    GroupId id =
        db.insertInto(LEARNER_GROUP)
            .set(LEARNER_GROUP.COURSE_ID, course)
            .set(LEARNER_GROUP.NAME, name)
            .returning(LEARNER_GROUP.ID)
            .fetchSingle(LEARNER_GROUP.ID);
    groups.put(name, id);
    return groups.get(name);
  }

  /**
   * Writes modules and steps; the due date of each module's steps is so many days after the start.
   */
  void write(Script script, Instant start, int... dueAfterDays) {
    for (Script.ScriptModule module : script.modules()) {
      var added = drafts.modules().add(course, new DesignEdits.NewModule(module.name()));
      var id = added.id();
      moduleViews.put(id, added);
      int m = modules.size();
      modules.add(id);
      OptionalInt due =
          m < dueAfterDays.length ? OptionalInt.of(dueAfterDays[m]) : OptionalInt.empty();
      for (Script.ScriptStep step : module.steps()) step(id, step, start, due);
    }
  }

  /** Keeps the questions of a text, for any quiz to ask. */
  void questions(String resource) {
    for (QuestionText.Read read : QuestionText.read(text(resource)).questions()) {
      var edit =
          new BankForms.BankEdit(
              acts.questions().written(read.question()), read.tags(), read.difficulty());
      banked.put(KeptQuestion.called(acts.bank().insert(course, edit)), read.question());
    }
  }

  private static String text(String resource) {
    try (InputStream in = requireNonNull(Author.class.getResourceAsStream(resource))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A question of the course, by what quizzes call it. */
  Question banked(String id) {
    return known(banked, id);
  }

  /** Writes the rubrics and gives each to its step. */
  void rubrics(Script script) {
    for (Script.ScriptRubric rubric : script.rubrics()) {
      StepId step = known(steps, rubric.step());
      RubricForms.RubricView view = rubricsOfCourse.add(course, rubric.rubric());
      rubrics.put(step, view.id());
      rubricViews.put(rubric.step(), view);
      change(step, Optional.empty(), Optional.empty(), Optional.empty());
    }
  }

  /** Every criterion of a step's rubric met about as well, 0 to 3; nothing without a rubric. */
  List<Rubric.Met> met(String step, int level, String comment) {
    RubricForms.RubricView view = rubricViews.get(step);
    if (view == null) return List.of();
    return view.criteria().stream()
        .map(c -> {
          int top = c.levels().size() - 1;
          int at = Math.min(top, (int) Math.round(level * top / 3.0));
          boolean first = c.key() == view.criteria().getFirst().key();
          return new Rubric.Met(c.key(), c.levels().get(at).key(), first ? comment : "");
        })
        .toList();
  }

  private void step(ModuleId module, Script.ScriptStep step, Instant start, OptionalInt due) {
    var added =
        drafts.steps().add(course, new DesignEdits.NewStep(module, step.kind(), step.name()));
    var id = added.id();
    steps.put(step.key(), id);
    scripts.put(id, step);
    views.put(id, added);
    step.film().ifPresent(film -> films.put(id, keep(film)));
    for (String name : step.files())
      kept.computeIfAbsent(id, _ -> new TreeMap<>()).put(name, keep(name));
    Optional<Instant> dueAt =
        due.isPresent() && !step.extra()
            ? Optional.of(start.plus(Duration.ofDays(due.getAsInt())))
            : Optional.empty();
    Leaf done = step.kind() == StepKind.QUIZ ? new MarkLeaf.Score(id, step.pass(), 1) : null;
    change(id, Optional.empty(), done == null ? Optional.empty() : Optional.of(ask(done)), dueAt);
  }

  /** A quiz whose questions carry single outcomes shows little in each: cut points are its own. */
  private static Optional<List<Double>> cuts(String outcome, Script.ScriptStep script) {
    boolean carried = script.carried().containsValue(outcome);
    return carried ? Optional.of(List.of(0.3, 0.7)) : Optional.empty();
  }

  private List<Question> carrying(StepId step, Script.ScriptStep script) {
    return script.questions().stream()
        .map(q ->
            q.carrying(
                Optional.ofNullable(script.carried().get(q.id()))
                    .map(code -> known(outcomes, code))))
        .map(q ->
            q.asked() instanceof PlaceWanted place
                ? q.asking(new PlaceWanted(picture(step), place.described(), place.areas()))
                : q)
        .map(q ->
            q.asked() instanceof TextWanted text
                ? q.asking(new TextWanted(text.expected(), Optional.ofNullable(rubrics.get(step))))
                : q)
        .toList();
  }

  /** The first picture of a step. */
  private Optional<Long> picture(StepId step) {
    return kept.getOrDefault(step, Map.of()).entrySet().stream()
        .filter(file -> file.getKey().endsWith(".png"))
        .map(Map.Entry::getValue)
        .findFirst();
  }

  private record Written(
      List<Question> questions,
      List<DemoScript.DemoDraw> draws,
      Optional<Taking> taking,
      Optional<DemoFilm> film,
      Optional<RubricId> rubric,
      boolean byGroup,
      List<Long> files,
      Optional<String> address,
      Set<FileSort> takes,
      List<DemoScript.DemoCaption> captions)
      implements DemoScript {}

  /** A text with the files that it names. */
  private String body(StepId id, String text) {
    String body = text;
    for (Map.Entry<String, Long> file : kept.getOrDefault(id, Map.of()).entrySet())
      body = body.replace("[" + file.getKey() + "]", file.getValue().toString());
    return body;
  }

  private long keep(String name) {
    boolean film = name.endsWith(".webm");
    String folder = film ? "/demo/films/" : "/demo/files/";
    try (InputStream in = Author.class.getResourceAsStream(folder + name)) {
      FileUse use =
          film ? FileUse.FILM : name.endsWith(".png") ? FileUse.PICTURE : FileUse.DOCUMENT;
      return files.keep(course, by, name, in, use).id();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A file that a learner sends. */
  long keep(PersonId learner, String name) {
    try (InputStream in = Author.class.getResourceAsStream("/demo/files/" + name)) {
      return files.keep(course, learner, name, in, FileUse.DOCUMENT).id();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private DemoScript.DemoFilm keep(Script.ScriptFilm film) {
    try (InputStream in = Author.class.getResourceAsStream("/demo/films/" + film.resource())) {
      long id = files.keep(course, by, film.resource(), in, FileUse.FILM).id();
      return new DemoScript.DemoFilm(id, film.resource(), film.seconds());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A check of one's own cannot be passed, only made. */
  private static Optional<Condition> checked(StepId id, Script.ScriptStep script) {
    return script
        .taking()
        .filter(Taking::selfCheck)
        .map(_ -> new Condition.Ask(new NodeId("n1"), new AttemptLeaf.Attempted(id, 1)));
  }

  private void change(
      StepId id, Optional<Condition> opens, Optional<Condition> done, Optional<Instant> due) {
    var view = known(views, id);
    var script = known(scripts, id);
    Map<String, Object> doneWhen =
        checked(id, script)
            .or(() -> done)
            .map(Json::map)
            .orElseGet(() -> DemoSchool.rule(view.doneWhen().root()));
    var edit =
        new DesignEdits.StepEdit(
            view.name(),
            !script.extra(),
            true,
            opens
                .map(Json::map)
                .or(() -> view.opensWhen().map(rule -> DemoSchool.rule(rule.root()))),
            doneWhen,
            view.listed(),
            true,
            true,
            Optional.empty(),
            due.isPresent() ? due : view.dueAt(),
            Optional.empty(),
            Optional.empty(),
            Math.max(1, script.minutes()),
            script.points(),
            script.pass(),
            script.attempts(),
            script.counts(),
            body(id, script.body()),
            acts.room(script.kind())
                .written(
                    new Written(
                        carrying(id, script),
                        script.draws(),
                        script.taking(),
                        Optional.ofNullable(films.get(id)),
                        Optional.ofNullable(rubrics.get(id)),
                        script.byGroup(),
                        List.copyOf(kept.getOrDefault(id, Map.of()).values()),
                        script.elsewhere() ? acts.filmHost() : Optional.empty(),
                        script.takes(),
                        script.film().map(Script.ScriptFilm::captions).orElse(List.of()))),
            script.ties().stream()
                .map(t -> new DesignEdits.TieEdit(known(outcomes, t), 1, cuts(t, script)))
                .toList(),
            List.of(),
            List.of(),
            allowances.getOrDefault(id, List.of()),
            Map.of());
    views.put(id, drafts.steps().change(course, id, view.version(), edit));
  }

  /** Gives a group more minutes for each attempt at a quiz. */
  void allow(String step, GroupId group, int minutes) {
    StepId id = known(steps, step);
    allowances.put(id, List.of(new DesignEdits.AllowanceEdit(group, minutes, 0, Optional.empty())));
    change(id, Optional.empty(), Optional.empty(), Optional.empty());
  }

  void opens(String step, Condition when) {
    change(known(steps, step), Optional.of(when), Optional.empty(), Optional.empty());
  }

  void moduleOpens(int module, Condition when) {
    ModuleId id = modules.get(module);
    var view = known(moduleViews, id);
    var edit =
        new DesignEdits.ModuleEdit(
            view.name(),
            true,
            false,
            Optional.of(Json.map(when)),
            Optional.empty(),
            true,
            true,
            true);
    moduleViews.put(id, drafts.modules().change(course, id, view.version(), edit));
  }

  void badge(
      String name,
      String description,
      OptionalInt module,
      BadgeFace face,
      Optional<Condition> earned) {
    badge(name, description, module, face, earned, Optional.empty());
  }

  /**
   * The same of one that is valid for a time.
   *
   * @param anew steps that are done again to renew it
   */
  void badge(
      String name,
      String description,
      OptionalInt module,
      BadgeFace face,
      Optional<Condition> earned,
      Optional<Integer> months,
      StepId... anew) {
    var edit =
        new DesignEdits.BadgeEdit(
            name,
            description,
            module.isPresent() ? Optional.of(modules.get(module.getAsInt())) : Optional.empty(),
            new DesignEdits.PictureEdit(
                face.picture().art(), face.picture().own(), face.picture().alt()),
            earned.map(Json::map),
            /* surprise= */ false,
            months.map(n ->
                new DesignEdits.LastingEdit(
                    DesignEdits.LastingKind.MONTHS, Optional.of(n), Optional.empty())),
            Optional.empty(),
            anew.length == 0
                ? Optional.empty()
                : Optional.of(new DesignEdits.RenewalEdit(List.of(anew), Optional.empty())),
            Optional.of(face.outcomes()),
            Optional.of(face.tags()),
            face.criteria(),
            face.sheet().map(BadgeDrafts::edit));
    badges.put(name, drafts.badges().add(course, edit).id());
  }

  /** Says when the course is complete. */
  void completeWhen(Condition rule) {
    drafts.rules().change(course, new FieldsEdit(Map.of(), Map.of("completeWhen", Json.map(rule))));
  }

  /** Lets an enrolment wait until another course is complete. */
  void waitsFor(CourseId other) {
    drafts
        .rules()
        .change(
            course,
            new FieldsEdit(
                Map.of("prerequisites", Json.map(DesignEdits.PrerequisitesForm.NONE)),
                Map.of(
                    "prerequisites",
                    Json.map(
                        new DesignEdits.PrerequisitesForm(
                            List.of(other), /* all= */ true, /* hold= */ true)))));
  }

  private static <V> V known(Map<?, V> map, Object key) {
    return requireNonNull(map.get(key), () -> "the demo has no " + key);
  }

  BadgeId badge(String name) {
    return known(badges, name);
  }

  StepId id(String step) {
    return known(steps, step);
  }

  Script.ScriptStep script(StepId id) {
    return known(scripts, id);
  }

  /** The outcomes that a step gives evidence for. */
  List<OutcomeId> evidence(String step) {
    return known(scripts, known(steps, step)).ties().stream()
        .map(code -> known(outcomes, code))
        .toList();
  }

  OutcomeId outcomeId(String code) {
    return known(outcomes, code);
  }

  Condition ask(Leaf leaf) {
    return new Condition.Ask(node(), leaf);
  }

  Condition all(Condition... parts) {
    return new Condition.All(node(), List.of(parts));
  }

  Condition any(Condition... parts) {
    return new Condition.Any(node(), List.of(parts));
  }

  Condition atLeast(int n, Condition... parts) {
    return new Condition.AtLeast(node(), n, List.of(parts));
  }

  Condition none(Condition... parts) {
    return new Condition.None(node(), List.of(parts));
  }

  Condition after(int days, Condition part) {
    return new Condition.After(node(), days, part);
  }

  Condition mastery(String outcome) {
    return ask(new Leaf.AtMastery(known(outcomes, outcome)));
  }

  Condition done(String step) {
    return ask(new Leaf.StepDone(known(steps, step)));
  }

  Condition score(String step, double from) {
    return ask(new MarkLeaf.Score(known(steps, step), from, 1));
  }

  private NodeId node() {
    return new NodeId("d" + ++nodes);
  }
}
