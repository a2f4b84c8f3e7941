package yendrik.core.rule.words;

import static yendrik.core.words.Numbers.count;
import static yendrik.core.words.Numbers.percent;
import static yendrik.core.words.Sentence.you;

import java.util.List;
import java.util.stream.Collectors;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.Outcome;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Sentence;

/**
 * Says rules in words. This is the only place where a condition becomes text, for staff and for
 * learners alike. Names that are gone are said as such, so that a rule with a fault can be read
 * too.
 */
public final class Wording {
  private final CourseDesign design;
  private final Dates dates;

  /**
   * @param dates how dates in rules are written
   */
  public Wording(CourseDesign design, Dates dates) {
    this.design = design;
    this.dates = dates;
  }

  /** One question, as it reads in the rule at a place. */
  public Sentence sentence(Leaf leaf, RuleAt at) {
    return switch (leaf) {
      case Leaf.OfStep ofStep -> ofStep(ofStep, at);
      case Leaf.OfOutcome ofOutcome -> ofOutcome(ofOutcome);
      case Leaf.ModuleDone l ->
          you(
              module(l.module()),
              "is done",
              "finish " + module(l.module()),
              "finished " + module(l.module()));
      case Leaf.ModuleCount l -> {
        String n = count(l.steps(), "step");
        String m = module(l.module());
        yield you(m, n + " or more done", "do " + n + " of " + m, "did " + n + " of " + m);
      }
      case Leaf.ModuleShare l -> {
        String p = percent(l.share());
        String m = module(l.module());
        yield you(m, p + " or more done", "do " + p + " of " + m, "did " + p + " of " + m);
      }
      case Leaf.CourseComplete l -> {
        String c =
            l.course().equals(design.id())
                ? "this course"
                : design.otherCourses().getOrDefault(l.course(), "a course that is gone");
        yield you(c, "is complete", "complete " + c, "completed " + c);
      }
      case Leaf.AttendanceRate l -> {
        String p = percent(l.share());
        yield you(
            "attendance", p + " or more", "attend " + p + " of the sessions", "attended " + p);
      }
      case Leaf.SessionsAttended l -> {
        String n = count(l.sessions(), "session");
        yield you("attendance", n + " or more", "attend " + n, "attended " + n);
      }
      case Leaf.InGroup l -> {
        String g = design.groups().getOrDefault(l.group(), "a group that is gone");
        yield new Sentence("in group", g, "are given it by staff", "you were given it by staff");
      }
      case Leaf.OneOf l ->
          new Sentence(
              "one of",
              count(l.people().size(), "named learner"),
              "are given it by staff",
              "you were given it by staff");
      case Leaf.HoldsBadge l -> {
        String b = design.badge(l.badge()).map(x -> x.name()).orElse("a badge that is gone");
        yield you("badge " + b, "is held", "earn the badge " + b, "earned the badge " + b);
      }
      case Leaf.EnrolledFor l -> {
        String d = count(l.days(), "day");
        yield new Sentence(
            "enrolled",
            "for " + d,
            "have been enrolled for " + d,
            "you have been enrolled for " + d);
      }
      case Leaf.InTime l -> inTime(l);
      case Leaf.Signal signal -> signal(signal);
    };
  }

  private Sentence ofStep(Leaf.OfStep leaf, RuleAt at) {
    boolean own = at.equals(new RuleAt.StepDone(leaf.step()));
    StepNames names = own ? StepNames.own() : StepNames.of(step(leaf.step()), quoted(leaf.step()));
    String name = names.subject();
    String it = names.it();
    return switch (leaf) {
      case Leaf.OfStrand of -> StepLeaf.of(of).says(names);
      case Leaf.StepDone _ -> you(name, "is done", "finish " + it, "finished " + it);
      case Leaf.DaysSinceDone l -> {
        String d = count(l.days(), "day");
        String says = "done " + d + " ago or more";
        yield new Sentence(
            name,
            says,
            "finished " + it + " " + d + " ago",
            "you finished " + it + " " + d + " ago");
      }
    };
  }

  private Sentence ofOutcome(Leaf.OfOutcome leaf) {
    var found = design.outcome(leaf.outcome());
    if (found.isEmpty())
      return new Sentence(
          "an outcome that is gone", "is asked for", "wait for staff", "you did it");
    Outcome o = found.get();
    String goal = lowerFirst(o.name());
    return switch (leaf) {
      case Leaf.LevelAtLeast l -> {
        String level = level(o, l.level());
        yield new Sentence(
            o.name(),
            "at " + level + " or above",
            goal + " at " + level,
            "you " + goal + " at " + level);
      }
      case Leaf.AtMastery _ -> {
        String level = level(o, o.scale().key(o.scale().mastery()));
        yield new Sentence(
            o.name(),
            "at mastery, " + level,
            goal + " at " + level,
            "you " + goal + " at " + level);
      }
      case Leaf.LevelBelow l -> {
        String level = level(o, l.level());
        yield new Sentence(
            o.name(),
            "below " + level,
            "are rated below " + level + " on " + o.name(),
            "you are below " + level + " on " + o.name());
      }
      case Leaf.EvidenceCount l -> {
        String level = level(o, l.level());
        String times = l.pieces() == 1 ? "once" : l.pieces() + " times";
        yield new Sentence(
            o.name(),
            "shown " + times + " at " + level,
            goal + " at " + level + ", shown " + times,
            "you showed " + times + " that you " + goal + " at " + level);
      }
    };
  }

  private static String level(Outcome o, int key) {
    int level = o.scale().at(key);
    return level >= 0 ? "“" + o.scale().levels().get(level).name() + "”" : "a level that is gone";
  }

  private Sentence inTime(Leaf.InTime l) {
    String from = l.from().map(f -> dates.moment(f)).orElse("");
    String until = l.until().map(u -> dates.moment(u)).orElse("");
    String says =
        from.isEmpty()
            ? "before " + until
            : until.isEmpty() ? "from " + from : "between " + from + " and " + until;
    return new Sentence("", says, "come back " + says, "it is " + says);
  }

  private static Sentence signal(Leaf.Signal leaf) {
    String says =
        switch (leaf) {
          case Leaf.QuietFor l -> "not in the course for " + count(l.days(), "day");
          case Leaf.NeverStarted l -> "nothing seen " + count(l.days(), "day") + " after the start";
          case Leaf.Overdue l -> count(l.steps(), "step") + " or more overdue";
          case Leaf.BehindBy l -> count(l.days(), "day") + " or more behind plan";
          case Leaf.StuckFor l ->
              "at one step for " + count(l.days(), "day") + " with failed tries";
          case Leaf.AttendanceUnder l -> "attendance under " + percent(l.share());
          case Leaf.RequiredOutOfReach _ -> "something required is out of reach";
        };
    return new Sentence("", says, says, says);
  }

  /** The word for a joint: "all of", "at least 2 of". */
  public static String joint(Condition condition) {
    return switch (condition) {
      case Condition.All _ -> "all of";
      case Condition.Any _ -> "any of";
      case Condition.AtLeast some -> "at least " + some.n() + " of";
      case Condition.None _ -> "none of";
      case Condition.Ask _ -> "";
    };
  }

  /** A whole rule in one line for staff. */
  public String line(Condition rule, RuleAt at) {
    return line(rule, at, /* inside= */ false);
  }

  private String line(Condition rule, RuleAt at, boolean inside) {
    List<String> parts = rule.parts().stream().map(p -> line(p, at, true)).toList();
    return switch (rule) {
      case Condition.Ask ask -> sentence(ask.leaf(), at).line();
      case Condition.All _ -> bracket(inside, parts, String.join(" and ", parts));
      case Condition.Any _ -> bracket(inside, parts, String.join(" or ", parts));
      case Condition.AtLeast some -> "at least " + some.n() + " of (" + join(parts) + ")";
      case Condition.None _ -> "none of (" + join(parts) + ")";
    };
  }

  private static String bracket(boolean inside, List<String> parts, String text) {
    return inside && parts.size() > 1 ? "(" + text + ")" : text;
  }

  private static String join(List<String> parts) {
    return parts.stream().collect(Collectors.joining(", "));
  }

  private String step(StepId id) {
    return design.step(id).map(s -> s.name()).orElse("a step that is gone");
  }

  private String quoted(StepId id) {
    return design.step(id).map(s -> "“" + s.name() + "”").orElse("a step that is gone");
  }

  private String module(ModuleId id) {
    return design.module(id).map(m -> m.name()).orElse("a module that is gone");
  }

  private static String lowerFirst(String text) {
    return text.isEmpty() ? text : Character.toLowerCase(text.charAt(0)) + text.substring(1);
  }
}
