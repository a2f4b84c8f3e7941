package yendrik.server.roster;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.server.design.copying.Emptying;
import yendrik.server.http.Problem;
import yendrik.server.people.Directory;
import yendrik.server.people.Needs;
import yendrik.server.people.People;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.SignedIn;
import yendrik.server.watch.Learners;
import yendrik.server.way.Enrolling;
import yendrik.server.way.Walks;

/** Who learns in a course. */
@RestController
@RequestMapping("/api/courses/{course}/roster")
class RosterController {
  private static final int LEAST = 2;
  private static final int MOST_CANDIDATES = 8;

  private final Walks walks;
  private final Directory directory;
  private final People people;
  private final Learners learners;
  private final Emptying emptying;
  private final Enrolling enrolling;

  RosterController(
      Walks walks,
      Directory directory,
      People people,
      Learners learners,
      Emptying emptying,
      Enrolling enrolling) {
    this.enrolling = enrolling;
    this.emptying = emptying;
    this.walks = walks;
    this.directory = directory;
    this.people = people;
    this.learners = learners;
  }

  /** A learner of a course. */
  @Schema(name = "RosterLine")
  record Line(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      String email,
      Instant enrolledAt,
      Set<GroupId> groups) {}

  /** The learners that somebody sees, by name, each with the groups that they are in. */
  @GetMapping
  @Needs(Right.TEACH)
  List<Line> roster(@PathVariable CourseId course, Seat seat) {
    return learners.of(seat).stream()
        .map(l ->
            new Line(
                l.enrolment(),
                l.person(),
                l.name(),
                l.email(),
                l.enrolledAt(),
                l.summary().groups().stream()
                    .filter(g -> seat.sees(List.of(g)))
                    .collect(Collectors.toSet())))
        .toList();
  }

  /**
   * @param anyway whatever they would have to complete before
   */
  record RosterEdit(
      @NotEmpty(message = "no-address") @Size(max = 2000) List<String> emails,
      Optional<Boolean> anyway) {}

  /** Somebody whom the prerequisites keep out, and the courses that do. */
  record KeptOut(String email, List<String> missing) {}

  /**
   * @param there addresses of those who were enrolled already
   * @param unknown addresses that belong to nobody here, as they were written
   * @param held those who are enrolled once the prerequisites are met
   * @param refused those who are not enrolled since they are not met
   */
  record Enrolled(
      int enrolled,
      List<String> there,
      List<String> unknown,
      List<KeptOut> held,
      List<KeptOut> refused) {}

  /**
   * People who could be enrolled, by parts of their names or addresses; none for a single letter.
   */
  @GetMapping("/candidates")
  @Needs(Right.PLAN)
  List<Directory.Candidate> candidates(
      @PathVariable CourseId course, @RequestParam @Size(max = 100) String text) {
    return text.strip().length() < LEAST
        ? List.of()
        : directory.candidates(course, text, MOST_CANDIDATES);
  }

  /** Enrols people by their e-mail addresses; one unknown address does not stop the others. */
  @PostMapping
  @Needs(Right.PLAN)
  Enrolled enrol(
      @PathVariable CourseId course, SignedIn person, @Valid @RequestBody RosterEdit edit) {
    if (emptying.practice(course)) throw Problem.conflict("practice-course");
    int enrolled = 0;
    List<String> there = new ArrayList<>();
    List<String> unknown = new ArrayList<>();
    List<KeptOut> held = new ArrayList<>();
    List<KeptOut> refused = new ArrayList<>();
    boolean anyway = edit.anyway().orElse(false);
    for (String email : edit.emails()) {
      Optional<PersonId> learner = people.withEmail(email);
      if (learner.isEmpty()) unknown.add(email);
      else if (walks.enrolment(course, learner.get()).isPresent()) there.add(email);
      else {
        PersonId who = learner.get();
        switch (enrolling.enrol(course, who, person.id(), anyway)) {
          case ENROLLED -> enrolled++;
          case HELD -> held.add(new KeptOut(email, enrolling.keepOut(course, who)));
          case REFUSED -> refused.add(new KeptOut(email, enrolling.keepOut(course, who)));
        }
      }
    }
    return new Enrolled(enrolled, there, unknown, held, refused);
  }

  /**
   * Somebody who waits until the prerequisites are met.
   *
   * @param missing names of the courses that keep them out
   */
  @Schema(name = "HeldEnrolment")
  record HeldLine(PersonId person, String name, Instant since, List<String> missing) {}

  @GetMapping("/held")
  @Needs(Right.PLAN)
  List<HeldLine> held(@PathVariable CourseId course) {
    List<Enrolling.Held> held = enrolling.held(course);
    Map<PersonId, String> names = people.names(held.stream().map(Enrolling.Held::person).toList());
    return held.stream()
        .map(h ->
            new HeldLine(h.person(), names.getOrDefault(h.person(), ""), h.since(), h.missing()))
        .toList();
  }

  /** Enrols somebody who waits, whatever they have not completed. */
  @PostMapping("/held/{learner}/admission")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void admit(@PathVariable CourseId course, @PathVariable PersonId learner, SignedIn person) {
    if (enrolling.held(course).stream().noneMatch(h -> h.person().equals(learner)))
      throw Problem.notFound("person");
    enrolling.enrol(course, learner, person.id(), /* anyway= */ true);
  }

  /** Somebody does not wait any more, and is not enrolled. */
  @DeleteMapping("/held/{learner}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void drop(@PathVariable CourseId course, @PathVariable PersonId learner) {
    enrolling.drop(course, learner);
  }
}
