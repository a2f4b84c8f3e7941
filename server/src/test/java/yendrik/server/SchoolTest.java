package yendrik.server;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static yendrik.schema.Tables.PERSON;

import jakarta.servlet.http.Cookie;
import java.util.Arrays;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import yendrik.core.id.PersonId;
import yendrik.core.people.StaffKind;
import yendrik.server.people.People;
import yendrik.server.people.SignedIn;

/** What tests on a school share. */
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

  /** A course of a test's own, which an administrator designs. */
  NewCourse newCourse(String name) {
    return new NewCourse(as("Sefa Dunmore"), name + " " + System.nanoTime());
  }

  void staff(NewCourse course, String name, StaffKind role) {
    people.addStaff(course.id, signedIn(name).id(), role, Optional.empty());
  }

  /** The cookie of a session that somebody begins by signing in. */
  Cookie session(String email) throws Exception {
    String body = Caller.text(new Sent.SignIn(email, TestSchool.PASSWORD));
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
}
