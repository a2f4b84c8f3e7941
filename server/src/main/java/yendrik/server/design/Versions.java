package yendrik.server.design;

import yendrik.core.course.CourseDesign;

/** Gives a design another version number. */
final class Versions {
  private Versions() {}

  /**
   * With the number of another, and its knowledge of other courses and of sessions, which are none
   * of its own.
   */
  static CourseDesign like(CourseDesign d, CourseDesign other) {
    CourseDesign as = as(d, other.version());
    return new CourseDesign(
        as.id(),
        as.version(),
        as.name(),
        as.zone(),
        as.startsAt(),
        as.order(),
        as.outcomes(),
        as.modules(),
        as.badges(),
        as.flags(),
        as.statuses(),
        as.completeWhen(),
        as.groups(),
        other.sessions(),
        other.otherCourses());
  }

  static CourseDesign as(CourseDesign d, int version) {
    return new CourseDesign(
        d.id(),
        version,
        d.name(),
        d.zone(),
        d.startsAt(),
        d.order(),
        d.outcomes(),
        d.modules(),
        d.badges(),
        d.flags(),
        d.statuses(),
        d.completeWhen(),
        d.groups(),
        d.sessions(),
        d.otherCourses());
  }
}
