package yendrik.server;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.STEP;

import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;

/** What tests of the demo's stories share. */
abstract class DemoSchoolTest extends SchoolTest {
  CourseId course(String name) {
    return db.select(COURSE.ID).from(COURSE).where(COURSE.NAME.eq(name)).fetchSingle().value1();
  }

  String foundations() {
    return "/api/courses/" + course("Cycle Mechanic Foundations");
  }

  StepId step(String name) {
    return db.select(STEP.ID).from(STEP).where(STEP.NAME.eq(name)).fetchSingle().value1();
  }

  EnrolmentId enrolment(String name) {
    return db.select(ENROLMENT.ID)
        .from(ENROLMENT)
        .join(PERSON)
        .on(PERSON.ID.eq(ENROLMENT.PERSON_ID))
        .where(
            PERSON.NAME.eq(name),
            ENROLMENT.COURSE_ID.eq(course("Cycle Mechanic Foundations")),
            ENROLMENT.PRACTICE.isFalse())
        .fetchSingle()
        .value1();
  }
}
