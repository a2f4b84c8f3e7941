package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
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
import yendrik.core.record.Facts;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** What staff allow one learner against the rules: given, ended, taken back. */
@Service
@Transactional
public class Exceptions {
  private final Walks walks;
  private final Learners learners;
  private final People people;
  private final Designs designs;
  private final Institutions institutions;
  private final Clock clock;

  Exceptions(
      Walks walks,
      Learners learners,
      People people,
      Designs designs,
      Institutions institutions,
      Clock clock) {
    this.walks = walks;
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

  /** A Problem as if one of them were not there, unless the seat sees all of these learners. */
  @Transactional(readOnly = true)
  void seesAll(Seat seat, List<EnrolmentId> enrolments) {
    Set<EnrolmentId> seen =
        learners.of(seat).stream().map(Learners.Snapshot::enrolment).collect(Collectors.toSet());
    if (!seen.containsAll(enrolments)) throw Problem.notFound("learner");
  }

  /** Gives an exception, or says why it would do nothing. */
  void give(Seat seat, EnrolmentId enrolment, Fact.AtStep exception) {
    String name = learners.one(seat, enrolment).name();
    walks.act(
        enrolment,
        Optional.of(seat.person().id()),
        w -> {
          doesSomething(w.progress(), name, exception);
          return List.of(exception);
        });
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
    List<Standing> views = new ArrayList<>();
    for (Fact fact : standing) {
      var at = (Fact.AtStep) fact.what();
      int s = index.number(at.step());
      if (s == CourseIndex.UNKNOWN) continue;
      String by = fact.by().map(p -> names.getOrDefault(p, "")).orElse("");
      String says = walk.writing().say(says(at));
      Fact.Grant kind = kind(at).orElseThrow();
      views.add(
          new Standing(fact.id(), kind, at.step(), index.step(s).name(), says, fact.at(), by));
    }
    return views;
  }

  private static Optional<Fact.Grant> kind(Fact.What what) {
    return switch (what) {
      case Fact.Opened _ -> Optional.of(Fact.Grant.OPENED);
      case Fact.Excused _ -> Optional.of(Fact.Grant.EXCUSED);
      case Fact.DueMoved _ -> Optional.of(Fact.Grant.DUE_MOVED);
      case Fact.AttemptsAdded _ -> Optional.of(Fact.Grant.ATTEMPTS);
      case Fact.TimeAdded _ -> Optional.of(Fact.Grant.TIME);
      case Fact.StartedAnew _ -> Optional.of(Fact.Grant.ANEW);
      default -> Optional.empty();
    };
  }

  private static Phrase says(Fact.AtStep what) {
    return switch (what) {
      case Fact.Opened f ->
          because(
              f.until()
                  .map(until -> Phrase.of("exception.opened-until", "until", until))
                  .orElseGet(() -> Phrase.of("exception.opened")),
              f.reason().orElse(""));
      case Fact.Excused f -> because(Phrase.of("exception.excused"), f.reason());
      case Fact.DueMoved f ->
          because(Phrase.of("exception.due", "due", f.due()), f.reason().orElse(""));
      case Fact.AttemptsAdded f ->
          because(Phrase.of("exception.attempts", "n", f.attempts()), f.reason().orElse(""));
      case Fact.TimeAdded f ->
          because(Phrase.of("exception.time", "n", f.minutes()), f.reason().orElse(""));
      case Fact.StartedAnew f -> because(Phrase.of("exception.anew"), f.reason().orElse(""));
      default -> Phrase.NONE;
    };
  }

  private static Phrase because(Phrase says, String why) {
    return why.isBlank() ? says : Phrase.of("exception.why", "says", says, "why", why);
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
    List<InCourse> all = new ArrayList<>();
    for (Learners.Snapshot learner : seen)
      for (Fact fact : standing(facts.getOrDefault(learner.enrolment(), List.of()), now)) {
        var at = (Fact.AtStep) fact.what();
        int s = index.number(at.step());
        if (s == CourseIndex.UNKNOWN) continue;
        all.add(
            new InCourse(
                learner.enrolment(),
                learner.name(),
                new Standing(
                    fact.id(),
                    kind(at).orElseThrow(),
                    at.step(),
                    index.step(s).name(),
                    writing.say(says(at)),
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

  private record Place(StepId step, Fact.Grant grant) {}

  /** Exceptions that were neither taken back nor have ended since. */
  private static List<Fact> standing(Walk walk) {
    return standing(walk.facts(), walk.progress().asOf());
  }

  private static List<Fact> standing(List<Fact> facts, Instant now) {
    Map<Place, List<Fact>> given = new HashMap<>();
    for (Fact fact : Facts.standing(facts)) {
      if (!(fact.what() instanceof Fact.AtStep at)) continue;
      if (at instanceof Fact.ExceptionEnded ended)
        given.remove(new Place(at.step(), ended.grant()));
      kind(at)
          .ifPresent(k ->
              given.computeIfAbsent(new Place(at.step(), k), _ -> new ArrayList<>()).add(fact));
    }
    return given.values().stream()
        .flatMap(List::stream)
        .filter(f ->
            !(f.what() instanceof Fact.Opened opened)
                || opened.until().map(now::isBefore).orElse(true))
        .sorted(Comparator.comparing(Fact::at).thenComparing(Fact::id))
        .toList();
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
          return List.of(new Fact.ExceptionEnded(at.step(), kind(at).orElseThrow(), reason));
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
