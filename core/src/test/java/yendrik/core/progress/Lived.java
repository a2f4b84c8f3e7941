package yendrik.core.progress;

import static yendrik.core.Workshop.INDUCTION;
import static yendrik.core.Workshop.JUNO;
import static yendrik.core.Workshop.START;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.FactId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.plan.CompiledCourse;

/** One learner's way, act by act, as a server lets it happen. */
final class Lived {
  private static final Duration LONG = Duration.ofDays(30);
  private final List<CompiledCourse> designs;
  private final Choices looks;
  private final List<Fact> facts = new ArrayList<>();
  private Progress progress;

  Lived(RandomWorld world, Choices looks) {
    designs = world.designs().stream().map(CompiledCourse::of).toList();
    this.looks = looks;
    progress = Progress.begin(designs.getFirst(), JUNO, START);
  }

  /** Everything that happens, and a while in which nothing does. */
  Lived through(RandomWorld world) {
    world.happenings().forEach(this::happens);
    advance(facts.getLast().at().plus(LONG));
    return this;
  }

  Progress progress() {
    return progress;
  }

  List<Fact> facts() {
    return facts;
  }

  void advance(Instant until) {
    progress.advance(until);
    if (!facts.isEmpty()) follow();
  }

  void happens(Fact fact) {
    Instant before = progress.asOf();
    if (looks.rarely(3))
      advance(
          before.plusMillis(
              Duration.between(before, fact.at()).toMillis() * looks.next(100) / 100));
    if (looks.rarely(3)) resume();
    advance(fact.at());
    facts.add(fact);
    if (fact.what() instanceof Fact.CameUnder under)
      progress = progress.under(designs.get(under.version() - 1), this::standing, fact.at());
    else if (fact.replaces().isPresent()) progress = replay(fact.at());
    else progress.take(fact);
    follow();
  }

  List<Fact> standing() {
    return Facts.standing(facts);
  }

  /** From the facts, or from what they add up to. */
  private void resume() {
    progress =
        looks.rarely(2)
            ? Progress.resume(progress.course(), JUNO, progress.record().sums(), progress.latches())
            : Progress.resume(progress.course(), JUNO, standing(), progress.latches());
  }

  Progress replay(Instant until) {
    return Replay.run(v -> designs.get(v - 1), JUNO, facts, until);
  }

  /** Badges that are earned and not issued become facts, dated when they were earned. */
  private void follow() {
    for (Progress.ToIssue issue : progress.toIssue())
      progress.take(added(issue.earnedAt(), issue.what(), Optional.empty()));
  }

  private Fact added(Instant at, Fact.What what, Optional<FactId> replaces) {
    var id = new FactId(facts.getLast().id().value() + 1);
    Fact fact = new Fact(id, at, Optional.empty(), what, replaces);
    facts.add(fact);
    return fact;
  }

  /** News of the other course, dated when it came true; what is known already is no news. */
  void hear(Optional<Instant> completed) {
    List<Fact> told =
        standing().stream().filter(f -> f.what() instanceof Fact.CompletedCourse).toList();
    Instant now = progress.asOf();
    if (completed.isPresent() && told.isEmpty()) {
      Instant first = facts.getFirst().at();
      Instant at = completed.get().isBefore(first) ? first : completed.get();
      Fact fact = added(at, new Fact.CompletedCourse(INDUCTION), Optional.empty());
      if (at.isBefore(now)) progress = replay(now);
      else progress.take(fact);
    } else if (completed.isEmpty() && !told.isEmpty()) {
      for (Fact fact : told) added(now, new Fact.TakenBack(""), Optional.of(fact.id()));
      progress = replay(now);
    }
    follow();
  }

  /** Whether a standing fact says that the other course is complete. */
  boolean heard() {
    return standing().stream().anyMatch(f -> f.what() instanceof Fact.CompletedCourse);
  }
}
