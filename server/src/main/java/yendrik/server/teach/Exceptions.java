package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kinds;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.StandingExceptions;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.ExceptionEnds;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** What staff allow one learner against the rules: given, ended, taken back. */
@Service
@Transactional
public class Exceptions {
  private final Walks walks;
  private final ExceptionEnds ends;
  private final Learners learners;
  private final People people;
  private final Designs designs;
  private final Institutions institutions;
  private final Clock clock;

  Exceptions(
      Walks walks,
      ExceptionEnds ends,
      Learners learners,
      People people,
      Designs designs,
      Institutions institutions,
      Clock clock) {
    this.walks = walks;
    this.ends = ends;
    this.learners = learners;
    this.people = people;
    this.designs = designs;
    this.institutions = institutions;
    this.clock = clock;
  }

  /** An exception that stands. */
  @Schema(name = "StandingException")
  record Standing(
      FactId fact, Fact.Grant kind, StepId step, String name, String says, Instant at, String by) {}

  /**
   * Gives an exception, or says why it would do nothing.
   *
   * @param until when it ends by itself; what is opened says so itself
   */
  FactId give(Seat seat, EnrolmentId enrolment, Fact.AtStep exception, Optional<Instant> until) {
    String name = learners.one(seat, enrolment).name();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(seat.person().id()),
            w -> {
              doesSomething(w.progress(), name, exception);
              if (until.filter(at -> !at.isAfter(w.progress().asOf())).isPresent())
                throw Problem.field("until", "moment-past");
              return List.of(exception);
            });
    FactId fact = given(walk, exception);
    until.ifPresent(at -> ends.plan(enrolment, fact, at));
    return fact;
  }

  /** The newest of the facts that give it. */
  private static FactId given(Walk walk, Fact.AtStep exception) {
    return walk.facts().stream()
        .filter(f -> f.what().equals(exception))
        .map(Fact::id)
        .max(Comparator.naturalOrder())
        .orElseThrow();
  }

  private static void doesSomething(Progress progress, String name, Fact.AtStep exception) {
    CourseIndex index = progress.course().index();
    int s = index.number(exception.step());
    if (s == CourseIndex.UNKNOWN) throw Problem.field("step", "no-such-step");
    Step step = index.step(s);
    StepState state = progress.bead(s).state();
    String quoted = "“" + step.name() + "”";
    if (state == StepState.UNPUBLISHED)
      throw Problem.conflict("step-not-published", "step", quoted);
    if (state == StepState.NOT_FOR_THEM)
      throw Problem.conflict("step-not-given", "step", quoted, "name", name);
    if (progress.record().left()) throw Problem.conflict("learner-has-left", "name", name);
    switch (exception) {
      case Fact.Opened opened -> {
        if (opened.until().filter(until -> !until.isAfter(progress.asOf())).isPresent())
          throw Problem.field("until", "moment-past");
        if (progress.sight().open(s))
          throw Problem.conflict("open-already", "step", quoted, "name", name);
      }
      case Fact.Excused _ -> {
        if (state == StepState.DONE)
          throw Problem.conflict("done-already", "name", name, "step", quoted);
        if (progress.record().excused(s))
          throw Problem.conflict("excused-already", "name", name, "step", quoted);
      }
      case Fact.DueMoved moved -> {
        if (progress.record().due(s) == moved.due().toEpochMilli())
          throw Problem.conflict("due-then-already", "step", quoted);
      }
      case Fact.AttemptsAdded _ -> {
        if (step.scoring().attempts() == 0)
          throw Problem.conflict("attempts-unlimited", "step", quoted);
      }
      case Fact.TimeAdded _ -> {
        if (!Kinds.of(step.kind()).hasClock())
          throw Problem.conflict("no-clock-here", "step", quoted);
      }
      case Fact.StartedAnew _ -> {
        if (state == StepState.CLOSED || state == StepState.OPEN)
          throw Problem.conflict("not-begun-yet", "name", name, "step", quoted);
      }
      default -> throw new IllegalArgumentException("no exception: " + exception);
    }
  }

  @Transactional(readOnly = true)
  List<Standing> of(Seat seat, EnrolmentId enrolment) {
    learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    Set<PersonId> staff = new HashSet<>();
    List<Fact> standing = standing(walk);
    standing.forEach(f -> f.by().ifPresent(staff::add));
    Map<PersonId, String> names = people.names(staff);
    CourseIndex index = walk.progress().course().index();
    Map<FactId, Instant> until = ends.of(List.of(enrolment));
    List<Standing> views = new ArrayList<>();
    for (Fact fact : standing) {
      var at = (Fact.AtStep) fact.what();
      int s = index.number(at.step());
      if (s == CourseIndex.UNKNOWN) continue;
      String by = fact.by().map(p -> names.getOrDefault(p, "")).orElse("");
      String says = walk.writing().say(says(fact, until));
      Fact.Grant kind = Fact.Grant.of(at).orElseThrow();
      views.add(
          new Standing(fact.id(), kind, at.step(), index.step(s).name(), says, fact.at(), by));
    }
    return views;
  }

  private static Phrase says(Fact exception, Map<FactId, Instant> ends) {
    return switch (exception.what()) {
      case Fact.Opened f -> says(Phrase.of("exception.opened"), f.until(), f.reason());
      case Fact.Excused f -> {
        Phrase excused = Phrase.of("exception.excused");
        yield says(excused, end(exception, ends), Optional.of(f.reason()));
      }
      case Fact.DueMoved f ->
          says(Phrase.of("exception.due", "due", f.due()), Optional.empty(), f.reason());
      case Fact.AttemptsAdded f ->
          says(
              Phrase.of("exception.attempts", "n", f.attempts()), end(exception, ends), f.reason());
      case Fact.TimeAdded f ->
          says(Phrase.of("exception.time", "n", f.minutes()), end(exception, ends), f.reason());
      case Fact.StartedAnew f -> says(Phrase.of("exception.anew"), Optional.empty(), f.reason());
      default -> Phrase.NONE;
    };
  }

  private static Optional<Instant> end(Fact exception, Map<FactId, Instant> ends) {
    return Optional.ofNullable(ends.get(exception.id()));
  }

  private static Phrase says(Phrase says, Optional<Instant> until, Optional<String> why) {
    Phrase whole =
        until.map(at -> Phrase.of("exception.until", "says", says, "until", at)).orElse(says);
    return why.filter(w -> !w.isBlank())
        .map(w -> Phrase.of("exception.why", "says", whole, "why", w))
        .orElse(whole);
  }

  /** An exception that stands, and whose it is. */
  @Schema(name = "ExceptionInCourse")
  record InCourse(EnrolmentId enrolment, String learner, Standing exception) {}

  /** All that stand in the course, of those whom a seat sees, the newest first. */
  @Transactional(readOnly = true)
  List<InCourse> inCourse(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return List.of();
    CourseIndex index = ready.get().compiled().index();
    Instant now = clock.instant();
    Writing writing = institutions.writing(index.design().zone(), now);
    Map<EnrolmentId, List<Fact>> facts = walks.exceptions(seat.course());
    List<Learners.Snapshot> seen = learners.of(seat);
    Map<PersonId, String> names = people.names(authors(facts));
    Map<FactId, Instant> until = ends.of(facts.keySet());
    List<InCourse> all = new ArrayList<>();
    for (Learners.Snapshot learner : seen)
      for (Fact fact :
          StandingExceptions.of(facts.getOrDefault(learner.enrolment(), List.of()), now)) {
        var at = (Fact.AtStep) fact.what();
        int s = index.number(at.step());
        if (s == CourseIndex.UNKNOWN) continue;
        all.add(
            new InCourse(
                learner.enrolment(),
                learner.name(),
                new Standing(
                    fact.id(),
                    Fact.Grant.of(at).orElseThrow(),
                    at.step(),
                    index.step(s).name(),
                    writing.say(says(fact, until)),
                    fact.at(),
                    fact.by().map(p -> names.getOrDefault(p, "")).orElse(""))));
      }
    all.sort(Comparator.comparing((InCourse e) -> e.exception().at()).reversed());
    return all;
  }

  private static Set<PersonId> authors(Map<EnrolmentId, List<Fact>> facts) {
    return facts.values().stream()
        .flatMap(List::stream)
        .flatMap(f -> f.by().stream())
        .collect(Collectors.toSet());
  }

  /** Exceptions that were neither taken back nor have ended since. */
  private static List<Fact> standing(Walk walk) {
    return StandingExceptions.of(walk.facts(), walk.progress().asOf());
  }

  /** Ends an exception now; what followed from it stays. */
  void end(Seat seat, EnrolmentId enrolment, FactId fact, String reason) {
    learners.one(seat, enrolment);
    walks.act(
        enrolment,
        Optional.of(seat.person().id()),
        w -> {
          var at = (Fact.AtStep) one(w, fact).what();
          if (at instanceof Fact.StartedAnew) throw Problem.conflict("anew-has-no-end");
          return List.of(
              new Fact.ExceptionEnded(at.step(), Fact.Grant.of(at).orElseThrow(), reason));
        });
  }

  /** Takes an exception back as if it had never been given; what followed from it goes. */
  void takeBack(Seat seat, EnrolmentId enrolment, FactId fact) {
    learners.one(seat, enrolment);
    walks.change(
        enrolment,
        Optional.of(seat.person().id()),
        w -> List.of(Added.inPlaceOf(one(w, fact), new Fact.TakenBack("exception taken back"))));
  }

  private static Fact one(Walk walk, FactId fact) {
    return standing(walk).stream()
        .filter(f -> f.id().equals(fact))
        .findFirst()
        .orElseThrow(() -> Problem.conflict("exception-ended"));
  }
}
