package yendrik.server.design;

import yendrik.core.course.CourseDesign;

/** Gives a design another version number. */
final class Versions {
  private Versions() {}

  static CourseDesign as(CourseDesign d, int version) {
    return new CourseDesign(
        d.id(),
        version,
        d.name(),
        d.zone(),
        d.startsAt(),
        d.outcomes(),
        d.modules(),
        d.badges(),
        d.flags(),
        d.completeWhen(),
        d.groups(),
        d.otherCourses());
  }
}
