package yendrik.server.people;

import java.util.Optional;
import java.util.OptionalLong;
import yendrik.core.id.CourseId;
import yendrik.server.http.Problem;

/**
 * A person's place in the course that a request is about.
 *
 * @param role empty for somebody who is not staff there
 * @param group the only group whose learners a support teacher may see
 * @param enrolment of the person as a learner, if they are one
 */
public record Seat(
    CourseId course,
    SignedIn person,
    Optional<Role> role,
    OptionalLong group,
    OptionalLong enrolment) {

  /** Kinds of staff. */
  public enum Role {
    DESIGNER,
    FACILITATOR,
    SUPPORT
  }

  /** Whether the person learns in the course. */
  public boolean learner() {
    return enrolment.isPresent();
  }

  boolean has(Right right) {
    return switch (right) {
      case ANYBODY, SIGNED_IN -> true;
      case ADMINISTER -> person.administrator();
      case LEARN -> learner() || role.isPresent();
      case PLAN -> role.filter(Role.DESIGNER::equals).isPresent();
      case TEACH -> role.isPresent();
    };
  }

  /** Whether a learner with these groups is one that this member of staff may see. */
  public boolean sees(java.util.Collection<Long> groups) {
    return group.isEmpty() || groups.contains(group.getAsLong());
  }

  /** Refuses a learner outside a support teacher's group as if there were none. */
  public void mustSee(java.util.Collection<Long> groups) {
    if (!sees(groups)) throw Problem.notFound("learner");
  }
}
