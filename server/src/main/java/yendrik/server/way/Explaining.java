package yendrik.server.way;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Turn;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.plan.Explained;
import yendrik.core.rule.plan.WhatIsLeft;
import yendrik.core.rule.words.Grounds;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Ground;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.formats.json.CoreJson;

/** Says for one learner what a rule comes to, to the learner or to staff. */
public final class Explaining {
  private final Progress progress;
  private final Wording wording;
  private final Writing writing;

  /** The id of what is said in the place of what a learner may not know of. */
  private static final String HIDDEN = "hidden";

  private static final String HIDDEN_SAYS = "explain.hidden";

  private final boolean toLearner;
  private final Known known;
  private final Map<PersonId, String> names;

  private Explaining(
      Progress progress, Writing writing, boolean toLearner, Map<PersonId, String> names) {
    this.progress = progress;
    this.writing = writing;
    this.toLearner = toLearner;
    this.names = names;
    known = new Known(progress);
    wording = new Wording(progress.course().design(), writing);
  }

  public static Explaining toLearner(Walk walk) {
    return new Explaining(walk.progress(), walk.writing(), /* toLearner= */ true, Map.of());
  }

  /** The same about what is worked out beside the learner's way. */
  public Explaining beside(Progress other) {
    return new Explaining(other, writing, toLearner, names);
  }

  /**
   * @param names of staff by id, for saying on whose word something rests
   */
  public static Explaining toStaff(Walk walk, Map<PersonId, String> names) {
    return new Explaining(walk.progress(), walk.writing(), /* toLearner= */ false, names);
  }

  /** About somebody made up, whose facts nobody brought about. */
  public static Explaining madeUp(Progress progress, Writing writing) {
    return new Explaining(progress, writing, /* toLearner= */ false, Map.of());
  }

  /**
   * A part of a rule with its verdict.
   *
   * @param is "ask", "all", "any", "at-least", "after" or "none"
   * @param n of <em>at least n of</em>, the days of <em>days after</em>, otherwise 0
   * @param says what is asked, or what is so
   * @param ground what the learner's record holds on it, may be empty
   * @param next when the clock may change it
   */
  public record Part(
      String id,
      String is,
      int n,
      String subject,
      String says,
      Verdict verdict,
      double fraction,
      Turn turn,
      String ground,
      Optional<Instant> next,
      List<Part> parts) {}

  public Optional<Part> rule(RuleAt at) {
    return progress.explain(at).filter(e -> !passedOver(e)).map(e -> part(e, at));
  }

  /**
   * One of the things that would have to come.
   *
   * @param turn whose turn it is
   * @param lost that it cannot come any more unless staff allow it
   * @param next when the clock may bring it
   */
  @Schema(name = "LeftToCome")
  public record Left(Turn turn, boolean lost, String says, Optional<Instant> next) {}

  /**
   * The shortest list of things that would open a step that is closed, and of those it is done by,
   * in the order in which they can come: what opens the steps that they happen at stands before
   * them.
   */
  public List<Left> whatWouldChange(int s) {
    List<Left> all = new ArrayList<>(wayTo(s));
    // what can never open can never be done either, which is no second thing to allow
    boolean shut = all.stream().anyMatch(Left::lost);
    if (progress.doneAt(s).isEmpty() && !shut)
      left(new RuleAt.StepDone(progress.course().index().step(s).id()), new HashSet<>(), all);
    return all.stream().distinct().toList();
  }

  /** The shortest list of things that would open a step; empty where it is open. */
  public List<Left> wayTo(int s) {
    List<Left> all = new ArrayList<>();
    opening(s, new HashSet<>(), all);
    return all.stream().distinct().toList();
  }

  /** What is missing of a rule, where it is one thing that can still come; else empty. */
  public Optional<String> onlyMissing(RuleAt at) {
    List<Explained> left = open(at);
    if (left.size() != 1 || left.getFirst().verdict() == Verdict.OUT_OF_REACH)
      return Optional.empty();
    return Optional.of(says(left.getFirst(), at));
  }

  /** Whether more than one thing has to come before a closed step opens, or time to go by. */
  public boolean isFarFrom(int s) {
    if (progress.sight().open(s) || (toLearner && !known.missing(s))) return false;
    CourseIndex index = progress.course().index();
    Step step = index.step(s);
    int m = index.moduleOf(s);
    List<Explained> things = new ArrayList<>(open(new RuleAt.StepOpens(step.id())));
    if (!progress.moduleOpen(m)) things.addAll(open(new RuleAt.ModuleOpens(index.module(m).id())));
    boolean begins = step.window().from().filter(f -> f.isAfter(progress.asOf())).isPresent();
    int many = things.size() + (firstBefore(s).isPresent() ? 1 : 0) + (begins ? 1 : 0);
    return many > 1
        || begins
        || things.stream()
            .anyMatch(e ->
                e.next() != Long.MAX_VALUE
                    || (!hiddenIn(e)
                        && atStep(e).filter(t -> !progress.sight().open(t)).isPresent()));
  }

  private List<Explained> open(RuleAt at) {
    return progress.explain(at).map(WhatIsLeft::of).orElse(List.of());
  }

  private void opening(int s, Set<Integer> seen, List<Left> all) {
    if (progress.sight().open(s) || !seen.add(s)) return;
    CourseIndex index = progress.course().index();
    if (toLearner && !known.missing(s)) {
      all.add(somethingHidden());
      return;
    }
    Step step = index.step(s);
    int m = index.moduleOf(s);
    if (!progress.moduleOpen(m)) left(new RuleAt.ModuleOpens(index.module(m).id()), seen, all);
    firstBefore(s)
        .ifPresent(before -> {
          if (!toLearner || known.step(before)) opening(before, seen, all);
          earlier(s).ifPresent(p -> all.add(new Left(p.turn(), false, p.says(), p.next())));
        });
    left(new RuleAt.StepOpens(step.id()), seen, all);
    step.window()
        .from()
        .filter(from -> from.isAfter(progress.asOf()))
        .ifPresent(from -> all.add(left(date(from), false)));
    step.window()
        .until()
        .filter(until -> !until.isAfter(progress.asOf()))
        .ifPresent(until -> all.add(left(over(until), true)));
  }

  private static Left left(Part part, boolean lost) {
    return new Left(part.turn(), lost, part.says(), part.next());
  }

  private void left(RuleAt at, Set<Integer> seen, List<Left> all) {
    progress
        .explain(at)
        .ifPresent(rule -> {
          for (Explained e : WhatIsLeft.of(rule)) {
            if (hiddenIn(e)) all.add(somethingHidden());
            else {
              boolean lost = e.verdict() == Verdict.OUT_OF_REACH;
              if (!lost) atStep(e).ifPresent(s -> opening(s, seen, all));
              all.add(
                  new Left(
                      lost ? Turn.STAFF : e.turn(),
                      lost,
                      says(e, at),
                      e.next() == Long.MAX_VALUE
                          ? Optional.empty()
                          : Optional.of(Instant.ofEpochMilli(e.next()))));
            }
          }
        });
  }

  /** Neither whose turn it is nor when: that would tell of it. */
  private Left somethingHidden() {
    String says = writing.say(Phrase.of(HIDDEN_SAYS));
    return new Left(Turn.NOBODY, /* lost= */ false, says, Optional.empty());
  }

  /** The step at which something would have to happen, if it is one that is closed. */
  private Optional<Integer> atStep(Explained e) {
    return e.condition() instanceof Condition.Ask(var _, Leaf.OfStep of)
        ? Optional.of(progress.course().index().number(of.step()))
            .filter(s -> s != CourseIndex.UNKNOWN && progress.doneAt(s).isEmpty())
        : Optional.empty();
  }

  private String says(Explained e, RuleAt at) {
    if (!toLearner) return wording.line(e.condition(), at);
    if (onlyWaits(e))
      return writing.say(Phrase.of("explain.wait-until", "moment", Instant.ofEpochMilli(e.next())));
    return e.condition() instanceof Condition.Ask ask
        ? wording.sentence(ask.leaf(), at).toDo()
        : wording.line(e.condition(), at);
  }

  /** Whether something in it is not to be named before a learner. */
  private boolean hiddenIn(Explained e) {
    return toLearner
        && e.condition()
            .nodes()
            .anyMatch(n -> n instanceof Condition.Ask ask && !known.about(ask.leaf()));
  }

  /** What does not concern a learner is not put before them. */
  private boolean passedOver(Explained e) {
    return toLearner && e.verdict() == Verdict.WAIVED;
  }

  private boolean hidden(Explained e) {
    return toLearner && e.condition() instanceof Condition.Ask ask && !known.about(ask.leaf());
  }

  /** Nothing but the verdict, and one such part for all of them. */
  private Part hidden(Verdict verdict) {
    return simple(HIDDEN, Phrase.of(HIDDEN_SAYS), verdict, Turn.NOBODY);
  }

  private List<Part> parts(Explained e, RuleAt at) {
    List<Part> parts = new ArrayList<>();
    for (Explained part : e.parts())
      if (!passedOver(part)) {
        Part made = part(part, at);
        if (!made.id().equals(HIDDEN) || !parts.contains(made)) parts.add(made);
      }
    return parts;
  }

  private Part part(Explained e, RuleAt at) {
    if (hidden(e)) return hidden(e.verdict());
    if (toLearner && onlyWaits(e)) return date(Instant.ofEpochMilli(e.next()));
    List<Part> parts = parts(e, at);
    Optional<Instant> next =
        e.next() == Long.MAX_VALUE ? Optional.empty() : Optional.of(Instant.ofEpochMilli(e.next()));
    String subject = "";
    String says = "";
    String ground = "";
    if (e.condition() instanceof Condition.Ask ask) {
      var words = wording.sentence(ask.leaf(), at);
      if (toLearner) says = e.verdict() == Verdict.MET ? words.did() : words.toDo();
      else {
        subject = words.subject();
        says = words.says();
        ground = Grounds.of(ask.leaf(), progress.sight()).map(this::ground).orElse("");
      }
    }
    return new Part(
        e.condition().id().value(),
        CoreJson.name(e.condition().getClass()),
        e.condition().number(),
        subject,
        says,
        e.verdict(),
        e.fraction(),
        e.turn(),
        ground,
        next,
        parts);
  }

  /** Whether what days are counted after has been met, so that nothing but time has to pass. */
  private static boolean onlyWaits(Explained e) {
    if (!(e.condition() instanceof Condition.After) || e.verdict() != Verdict.NOT_YET) return false;
    Explained part = e.parts().getFirst();
    boolean counted = part.verdict() == Verdict.MET || part.next() != e.next();
    return counted && e.turn() == Turn.CLOCK && e.next() != Long.MAX_VALUE;
  }

  private String ground(Ground ground) {
    var day = new Phrase.Day(ground.at());
    return writing.say(
        ground
            .by()
            .map(names::get)
            .map(name ->
                Phrase.of("ground.by-staff", "what", ground.what(), "name", name, "day", day))
            .orElseGet(() -> Phrase.of("ground.by", "what", ground.what(), "day", day)));
  }

  /**
   * Everything that keeps a step closed: the module's rule, the step's own, its order and dates.
   * Nothing to a learner who is told only that it is closed.
   */
  public List<Part> whatIsMissing(int s) {
    List<Part> missing = new ArrayList<>();
    Step step = progress.course().index().step(s);
    int m = progress.course().index().moduleOf(s);
    CourseModule module = progress.course().index().module(m);
    if (toLearner && !known.missing(s)) return List.of();
    if (!progress.moduleOpen(m)) rule(new RuleAt.ModuleOpens(module.id())).ifPresent(missing::add);
    rule(new RuleAt.StepOpens(step.id()))
        .filter(p -> p.verdict() != Verdict.WAIVED)
        .ifPresent(missing::add);
    step.window()
        .from()
        .filter(from -> from.isAfter(progress.asOf()))
        .ifPresent(from -> missing.add(date(from)));
    step.window()
        .until()
        .filter(until -> !until.isAfter(progress.asOf()))
        .ifPresent(until -> missing.add(over(until)));
    earlier(s).ifPresent(missing::add);
    return missing;
  }

  /** What opens a module that is closed. */
  public List<Part> whatModuleMisses(int m) {
    if (toLearner && !known.missingOf(m)) return List.of();
    var opens = new RuleAt.ModuleOpens(progress.course().index().module(m).id());
    return rule(opens).stream().toList();
  }

  /** The first step that a strict order puts before one and that is not done. */
  private Optional<Integer> firstBefore(int s) {
    for (int b = progress.course().index().orderFrom(s); b < s; b++)
      if (progress.course().waitsFor(s, b)
          && !progress.sight().waived(b)
          && !progress.sight().doneByWaiver(b)
          && progress.doneAt(b).isEmpty()) return Optional.of(b);
    return Optional.empty();
  }

  private Optional<Part> earlier(int s) {
    return firstBefore(s)
        .map(b -> {
          if (toLearner && !known.step(b)) return hidden(Verdict.NOT_YET);
          Phrase name = Phrase.quoted(progress.course().index().step(b).name());
          Phrase says =
              Phrase.of(toLearner ? "explain.finish" : "explain.comes-after", "step", name);
          return simple("order", says, Verdict.NOT_YET, progress.sight().turn(b));
        });
  }

  private Part date(Instant moment) {
    Phrase says = Phrase.of("explain.wait-until", "moment", moment);
    return part("window", says, Verdict.NOT_YET, Turn.CLOCK, Optional.of(moment));
  }

  private Part over(Instant until) {
    Phrase says = Phrase.of("explain.be-there-before", "moment", until);
    return simple("window-end", says, Verdict.OUT_OF_REACH, Turn.STAFF);
  }

  private Part simple(String id, Phrase says, Verdict verdict, Turn turn) {
    return part(id, says, verdict, turn, Optional.empty());
  }

  private Part part(String id, Phrase says, Verdict verdict, Turn turn, Optional<Instant> next) {
    return new Part(
        id,
        CoreJson.name(Condition.Ask.class),
        0,
        "",
        writing.say(says),
        verdict,
        0,
        turn,
        "",
        next,
        List.of());
  }

  /** When something happened, as an optional moment. */
  public static Optional<Instant> moment(long at) {
    boolean never = at == LearnerRecord.NEVER || at == CourseIndex.NEVER;
    return never ? Optional.empty() : Optional.of(Instant.ofEpochMilli(at));
  }
}
