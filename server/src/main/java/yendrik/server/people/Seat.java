package yendrik.server.people;

import java.util.Collection;
import java.util.Collections;
import java.util.Optional;
import java.util.Set;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.people.StaffKind;
import yendrik.server.http.Injected;
import yendrik.server.http.Problem;

/** A person's place in the course that a request is about. */
public sealed interface Seat extends Injected {
  CourseId course();

  SignedIn person();

  /** What the person is on the staff, if they are on it. */
  default Optional<StaffKind> role() {
    return switch (this) {
      case Staff staff -> Optional.of(staff.designs ? StaffKind.DESIGNER : StaffKind.FACILITATOR);
      case Support _ -> Optional.of(StaffKind.SUPPORT);
      case Learner _, Nobody _ -> Optional.empty();
    };
  }

  /** The person's own way, if they learn in the course. */
  default Optional<EnrolmentId> enrolment() {
    return switch (this) {
      case Staff staff -> staff.own;
      case Support support -> support.own;
      case Learner learner -> Optional.of(learner.own);
      case Nobody _ -> Optional.empty();
    };
  }

  /** Whether a learner in these groups is one that this person may see as staff. */
  default boolean sees(Collection<GroupId> groups) {
    return switch (this) {
      case Staff _ -> true;
      case Support support -> !Collections.disjoint(support.groups, groups);
      case Learner _, Nobody _ -> false;
    };
  }

  /** Whether the person sees every learner of the course. */
  default boolean seesAll() {
    return this instanceof Staff;
  }

  /** Refuses a learner whom this person does not see as if there were none. */
  default void mustSee(Collection<GroupId> groups) {
    if (!sees(groups)) throw Problem.notFound("learner");
  }

  /** Whether the person may do what an endpoint is for. */
  default boolean has(Right right) {
    return switch (right) {
      case ANYBODY, SIGNED_IN -> true;
      case ADMINISTER, MAKE_COURSES -> person().administrator();
      case LEARN -> !(this instanceof Nobody);
      case PLAN -> this instanceof Staff staff && staff.designs;
      case TEACH -> this instanceof Staff || this instanceof Support;
      case SCHEDULE -> seesAll();
    };
  }

  /**
   * A designer or a facilitator, who sees every learner.
   *
   * @param designs whether they may change the course
   * @param own their enrolment, if they learn in it as well
   */
  record Staff(CourseId course, SignedIn person, boolean designs, Optional<EnrolmentId> own)
      implements Seat {}

  /**
   * A support teacher.
   *
   * @param groups whose learners they see; of no group, nobody
   */
  record Support(CourseId course, SignedIn person, Set<GroupId> groups, Optional<EnrolmentId> own)
      implements Seat {}

  /**
   * Somebody who learns in the course and is nothing else there.
   *
   * @param own their enrolment
   */
  record Learner(CourseId course, SignedIn person, EnrolmentId own) implements Seat {}

  /** Somebody who has no place in the course, which may not even be there. */
  record Nobody(CourseId course, SignedIn person) implements Seat {}
}
