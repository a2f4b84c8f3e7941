package yendrik.server.way;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.people.Needs;
import yendrik.server.people.People;
import yendrik.server.people.Right;
import yendrik.server.people.SignedIn;

/** Who learns in a course. */
@RestController
@RequestMapping("/api/courses/{course}/roster")
class RosterController {
  private final Walks walks;
  private final People people;

  RosterController(Walks walks, People people) {
    this.walks = walks;
    this.people = people;
  }

  record RosterEdit(@NotEmpty(message = "no-address") @Size(max = 2000) List<String> emails) {}

  /**
   * @param there addresses of those who were enrolled already
   * @param unknown addresses that belong to nobody here, as they were written
   */
  record Enrolled(int enrolled, List<String> there, List<String> unknown) {}

  /** Enrols people by their e-mail addresses; one unknown address does not stop the others. */
  @PostMapping
  @Needs(Right.PLAN)
  Enrolled enrol(
      @PathVariable CourseId course, SignedIn person, @Valid @RequestBody RosterEdit edit) {
    int enrolled = 0;
    List<String> there = new ArrayList<>();
    List<String> unknown = new ArrayList<>();
    for (String email : edit.emails()) {
      Optional<PersonId> learner = people.withEmail(email);
      if (learner.isEmpty()) unknown.add(email);
      else if (walks.enrolment(course, learner.get()).isPresent()) there.add(email);
      else {
        walks.enrol(course, learner.get(), Optional.of(person.id()));
        enrolled++;
      }
    }
    return new Enrolled(enrolled, there, unknown);
  }
}
