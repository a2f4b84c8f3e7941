package yendrik.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.STEP;

import jakarta.servlet.http.Cookie;
import java.util.Arrays;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.server.people.People;
import yendrik.server.people.SignedIn;

/** What tests on the demo school share. */
abstract class SchoolTest {
  @Autowired MockMvc http;
  @Autowired DSLContext db;
  @Autowired People people;

  SignedIn signedIn(String name) {
    PersonId id =
        db.select(PERSON.ID).from(PERSON).where(PERSON.NAME.eq(name)).fetchSingle().value1();
    return people.person(id).orElseThrow();
  }

  Caller as(String name) {
    return new Caller(http, signedIn(name));
  }

  /** The cookie of a session that somebody begins by signing in. */
  Cookie session(String email) throws Exception {
    String body = "{\"email\":\"" + email + "\",\"password\":\"hollow-lane\"}";
    var signedIn =
        http.perform(
                post("/api/session")
                    .with(csrf())
                    .contentType(MediaType.APPLICATION_JSON)
                    .content(body))
            .andReturn()
            .getResponse();
    return Arrays.stream(signedIn.getCookies())
        .filter(c -> !c.getName().equals("XSRF-TOKEN"))
        .findFirst()
        .orElseThrow();
  }

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
