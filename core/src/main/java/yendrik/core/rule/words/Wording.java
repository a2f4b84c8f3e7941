package yendrik.core.rule.words;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;
import yendrik.core.words.Question;
import yendrik.core.words.Sentence;
import yendrik.core.words.Writing;

/**
 * Says rules in words. This is the only place where a condition becomes text, for staff and for
 * learners alike. Names that are gone are said as such, so that a rule with a fault can be read
 * too.
 */
public final class Wording {
  private final CourseDesign design;
  private final Writing writing;

  /**
   * @param writing how they are written
   */
  public Wording(CourseDesign design, Writing writing) {
    this.design = design;
    this.writing = writing;
  }

  /** The design whose rules are said. */
  public CourseDesign design() {
    return design;
  }

  /** One question, as it reads in the rule at a place. */
  public Sentence sentence(Leaf leaf, RuleAt at) {
    Question asked = question(leaf, at);
    String says = writing.say(asked.says());
    String line = writing.say(asked.line());
    if (leaf instanceof Leaf.Signal) return new Sentence("", says, says, says, line);
    return new Sentence(
        writing.say(asked.subject()),
        says,
        writing.say(asked.toDo()),
        writing.say(asked.did()),
        line);
  }

  private Question question(Leaf leaf, RuleAt at) {
    return switch (leaf) {
      case Leaf.OfStep ofStep -> ofStep(ofStep, at);
      case Leaf.OfOutcome ofOutcome -> ofOutcome(ofOutcome);
      case Leaf.ModuleDone l -> ofModule(l.module(), "ask.module-done");
      case Leaf.ModuleCount l -> ofModule(l.module(), "ask.module-count", "n", l.steps());
      case Leaf.ModuleShare l ->
          ofModule(l.module(), "ask.module-share", "share", Numbers.percent(l.share()));
      case Leaf.QuizzesScored l -> quizzes(l);
      case Leaf.CourseComplete l -> {
        Phrase course =
            l.course().equals(design.id())
                ? Phrase.of("ask.course-complete.this")
                : named(Optional.ofNullable(design.otherCourses().get(l.course())), "gone.course");
        yield Question.of(course, "ask.course-complete", "course", course);
      }
      case Leaf.AttendanceRate l ->
          Question.of(
              Phrase.of("ask.attendance"),
              "ask.attendance-rate",
              "share",
              Numbers.percent(l.share()));
      case Leaf.SessionsAttended l ->
          Question.of(Phrase.of("ask.attendance"), "ask.sessions-attended", "n", l.sessions());
      case Leaf.SessionAttended l ->
          Question.of(
              Phrase.of("ask.attendance"),
              "ask.session-attended",
              "session",
              named(Optional.ofNullable(design.sessions().get(l.session())), "gone.session"));
      case Leaf.InARow l ->
          Question.of(Phrase.of("ask.in-a-row"), inARow(l.rhythm()), "n", l.times());
      case Leaf.GradeAtLeast l ->
          Question.of(Phrase.of("ask.grade"), "ask.grade", "share", Numbers.percent(l.share()));
      case Leaf.Approved l ->
          Question.of(Phrase.of("ask.approved"), "ask.approved", "by", l.by().name());
      case Leaf.OwnWord _ -> Question.of(Phrase.NONE, "ask.own-word");
      case Leaf.HasLeft _ -> Question.of(Phrase.NONE, "ask.has-left");
      case Leaf.InGroup l ->
          Question.of(
              Phrase.of("ask.in-group"),
              "ask.in-group",
              "group",
              named(Optional.ofNullable(design.groups().get(l.group())), "gone.group"));
      case Leaf.OneOf l ->
          Question.of(Phrase.of("ask.one-of"), "ask.one-of", "n", l.people().size());
      case Leaf.HoldsBadge l -> {
        Phrase badge = named(design.badge(l.badge()).map(Badge::name), "gone.badge");
        yield Question.of(
            Phrase.of("ask.holds-badge", "badge", badge), "ask.holds-badge", "badge", badge);
      }
      case Leaf.EnrolledFor l ->
          Question.of(Phrase.of("ask.enrolled-for"), "ask.enrolled-for", "n", l.days());
      case Leaf.InTime l -> inTime(l);
      case Leaf.Signal signal -> signal(signal);
    };
  }

  private static String inARow(Rhythm rhythm) {
    return switch (rhythm) {
      case DAYS -> "ask.in-a-row-days";
      case WEEKS -> "ask.in-a-row-weeks";
    };
  }

  private Question ofModule(ModuleId id, String key, Object... with) {
    Phrase module = named(design.module(id).map(CourseModule::name), "gone.module");
    Question question = Question.of(module, key, with);
    return new Question(module, key, question.says().and("module", module).with());
  }

  private Question quizzes(Leaf.QuizzesScored leaf) {
    Phrase of =
        leaf.module()
            .map(m -> named(design.module(m).map(CourseModule::name), "gone.module"))
            .orElseGet(() -> Phrase.of("ask.course-complete.this"));
    return Question.of(
        of,
        leaf.share() >= 1 ? "ask.quizzes-full" : "ask.quizzes-scored",
        "share",
        Numbers.percent(leaf.share()),
        "of",
        of);
  }

  /** A name as it is, or what is said in the place of one that is gone. */
  private static Phrase named(Optional<String> name, String gone) {
    return name.map(Phrase::text).orElseGet(() -> Phrase.of(gone));
  }

  private Question ofStep(Leaf.OfStep leaf, RuleAt at) {
    boolean own = at.equals(new RuleAt.StepDone(leaf.step()));
    StepNames names = own ? StepNames.own() : names(leaf.step());
    return switch (leaf) {
      case Leaf.OfStrand of -> StepLeaf.of(of).says(names);
      case Leaf.StepDone _ -> names.asks("ask.step-done");
      case Leaf.DaysSinceDone l -> names.asks("ask.days-since-done", "n", l.days());
    };
  }

  private StepNames names(StepId id) {
    return design
        .step(id)
        .map(s -> StepNames.of(Phrase.text(s.name()), Phrase.quoted(s.name())))
        .orElseGet(() -> StepNames.of(Phrase.of("gone.step"), Phrase.of("gone.step")));
  }

  private Question ofOutcome(Leaf.OfOutcome leaf) {
    return design
        .outcome(leaf.outcome())
        .map(o -> ofOutcome(leaf, o))
        .orElseGet(() -> Question.of(Phrase.of("gone.outcome"), "ask.unknown-outcome"));
  }

  private static Question ofOutcome(Leaf.OfOutcome leaf, Outcome o) {
    Phrase name = Phrase.text(o.name());
    Phrase goal = Phrase.text(lowerFirst(o.name()));
    return switch (leaf) {
      case Leaf.LevelAtLeast l ->
          Question.of(name, "ask.level-at-least", "goal", goal, "level", level(o, l.level()));
      case Leaf.AtMastery _ -> {
        Phrase level = level(o, o.scale().key(o.scale().mastery()));
        yield Question.of(name, "ask.at-mastery", "goal", goal, "level", level);
      }
      case Leaf.LevelBelow l ->
          Question.of(name, "ask.level-below", "outcome", name, "level", level(o, l.level()));
      case Leaf.EvidenceCount l ->
          Question.of(
              name,
              "ask.evidence-count",
              "goal",
              goal,
              "level",
              level(o, l.level()),
              "n",
              l.pieces());
    };
  }

  private static Phrase level(Outcome o, int key) {
    int level = o.scale().at(key);
    return level >= 0
        ? Phrase.quoted(o.scale().levels().get(level).name())
        : Phrase.of("gone.level");
  }

  private static Question inTime(Leaf.InTime l) {
    if (l.from().isEmpty())
      return Question.of(Phrase.NONE, "ask.before", "until", l.until().orElseThrow());
    Instant from = l.from().get();
    return l.until()
        .map(until -> Question.of(Phrase.NONE, "ask.between", "from", from, "until", until))
        .orElseGet(() -> Question.of(Phrase.NONE, "ask.from", "from", from));
  }

  private Question signal(Leaf.Signal leaf) {
    return switch (leaf) {
      case Leaf.QuietFor l -> Question.of(Phrase.NONE, "ask.quiet-for", "n", l.days());
      case Leaf.NeverStarted l -> Question.of(Phrase.NONE, "ask.never-started", "n", l.days());
      case Leaf.Overdue l -> Question.of(Phrase.NONE, "ask.overdue", "n", l.steps());
      case Leaf.BehindBy l -> Question.of(Phrase.NONE, "ask.behind-by", "n", l.days());
      case Leaf.StuckFor l -> Question.of(Phrase.NONE, "ask.stuck-for", "n", l.days());
      case Leaf.NoEvidence l ->
          Question.of(
              Phrase.NONE,
              "ask.no-evidence",
              "outcome",
              named(design.outcome(l.outcome()).map(Outcome::name), "gone.outcome"),
              "from",
              l.from());
      case Leaf.AttendanceUnder l ->
          Question.of(Phrase.NONE, "ask.attendance-under", "share", Numbers.percent(l.share()));
      case Leaf.RequiredOutOfReach _ -> Question.of(Phrase.NONE, "ask.required-out-of-reach");
    };
  }

  /** A whole rule in one line for staff. */
  public String line(Condition rule, RuleAt at) {
    return writing.say(line(rule, at, /* inside= */ false));
  }

  private Phrase line(Condition rule, RuleAt at, boolean inside) {
    List<Phrase> parts = rule.parts().stream().map(p -> line(p, at, true)).toList();
    return switch (rule) {
      case Condition.Ask ask -> question(ask.leaf(), at).line();
      case Condition.All _ -> joined("rule.and", parts, inside);
      case Condition.Any _ -> joined("rule.or", parts, inside);
      case Condition.AtLeast some ->
          Phrase.of("rule.at-least", "n", some.n(), "parts", new Phrase.Listed(parts));
      case Condition.After after ->
          Phrase.of("rule.after", "n", after.days(), "rule", parts.getFirst());
      case Condition.None _ -> Phrase.of("rule.none", "parts", new Phrase.Listed(parts));
    };
  }

  private static Phrase joined(String key, List<Phrase> parts, boolean inside) {
    Phrase all =
        parts.reversed().stream()
            .reduce((rest, first) -> Phrase.of(key, "first", first, "rest", rest))
            .orElse(Phrase.NONE);
    return inside && parts.size() > 1 ? Phrase.of("rule.inside", "rule", all) : all;
  }

  private static String lowerFirst(String text) {
    return text.isEmpty() ? text : Character.toLowerCase(text.charAt(0)) + text.substring(1);
  }
}
