package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.FACT;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.server.way.Walks;

/** Ratings outside any step, of one learner or many, and what becomes of them. */
@ServerTest
class RatingsTest extends SchoolTest {
  @Autowired Walks walks;
  private NewCourse course;
  private Caller sefa;
  private OutcomeId outcome;
  private EnrolmentId edda;
  private EnrolmentId ruben;
  private long page;

  @BeforeEach
  void aCourseThatOpensByMastery() {
    sefa = as("Sefa Dunmore");
    course = new NewCourse(sefa, "Ratings " + System.nanoTime());
    outcome = course.outcome("SEAL", "Seal a tube", List.of());
    page = course.step(course.module("Tubes"), "PAGE", "For those who seal");
    course.change(
        page,
        e -> {
          var ask = e.putObject("opensWhen").put("is", "ask").put("id", "m");
          ask.putObject("leaf").put("is", "at-mastery").put("outcome", outcome.value());
        });
    course.publish();
    course.enrol("edda@hollowlane.example", "ruben@hollowlane.example");
    edda = course.enrolment("Edda Marsh");
    ruben = course.enrolment("Ruben Sato");
  }

  private Sent.Rating rating(int level, String note, EnrolmentId... learners) {
    return new Sent.Rating(outcome, level, List.of(learners), note);
  }

  private JsonNode own(String name) {
    return as(name).get(course.path + "/walks/mine/route");
  }

  @Test
  void many_learners_are_rated_in_one_go_and_what_waits_for_it_opens() {
    assertThat(own("Edda Marsh").path("outcomes").path(0).path("opensNext").path(0).asString())
        .isEqualTo("For those who seal");
    JsonNode given =
        sefa.post(course.path + "/ratings", rating(2, "Seen on Saturday", edda, ruben));
    assertThat(given.size()).isEqualTo(2);
    for (String name : new String[] {"Edda Marsh", "Ruben Sato"}) {
      JsonNode mine = own(name).path("outcomes").path(0);
      assertThat(mine.path("levelName").asString()).isEqualTo("Can do it");
      assertThat(mine.path("evidence").path(0).path("words").asString())
          .isEqualTo("Seen on Saturday");
      assertThat(mine.path("opensNext").size()).isZero();
      assertThat(course.bead(name, page).path("state").asString()).isEqualTo("OPEN");
    }
    JsonNode cell = sefa.get(course.path + "/learners/" + edda + "/outcomes/" + outcome);
    assertThat(cell.path("evidence").path(0).path("by").asString()).isEqualTo("Sefa Dunmore");
    assertThat(cell.path("evidence").path(0).path("note").asString()).isEqualTo("Seen on Saturday");
    assertThat(walks.compare(edda)).isEmpty();
  }

  @Test
  void a_rating_taken_back_is_gone_from_the_level_and_stays_in_the_facts() {
    JsonNode given = sefa.post(course.path + "/ratings", rating(2, "", edda));
    int facts = db.fetchCount(FACT, FACT.ENROLMENT_ID.eq(edda));
    var back = new Sent.TakenBack(given, "wrong learner");
    assertThat(sefa.call("POST", course.path + "/ratings/taken-back", back).getStatus())
        .isEqualTo(204);
    assertThat(own("Edda Marsh").path("outcomes").path(0).path("level").asInt()).isEqualTo(-1);
    assertThat(db.fetchCount(FACT, FACT.ENROLMENT_ID.eq(edda))).isEqualTo(facts + 1);
    assertThat(walks.compare(edda)).isEmpty();
    assertThat(sefa.call("POST", course.path + "/ratings/taken-back", back).getStatus())
        .as("it stands no longer")
        .isEqualTo(409);
  }

  @Test
  void one_learner_who_cannot_be_rated_keeps_all_from_being_rated() {
    var response =
        sefa.call("POST", course.path + "/ratings", rating(2, "", edda, new EnrolmentId(999_999)));
    assertThat(response.getStatus()).isEqualTo(404);
    assertThat(own("Edda Marsh").path("outcomes").path(0).path("level").asInt()).isEqualTo(-1);
  }

  @Test
  void bad_ratings_name_their_field() {
    assertThat(fields(rating(7, "", edda)).has("level")).isTrue();
    assertThat(fields(rating(2, "")).has("learners")).isTrue();
    var none = new Sent.Rating(new OutcomeId(999_999), 1, List.of(edda), "");
    assertThat(fields(none).has("outcome")).isTrue();
  }

  private JsonNode fields(Record body) {
    return Caller.json(sefa.call("POST", course.path + "/ratings", body)).path("fields");
  }

  @Test
  void learners_cannot_rate_anybody() {
    assertThat(
            as("Edda Marsh")
                .call("POST", course.path + "/ratings", rating(2, "", edda))
                .getStatus())
        .isEqualTo(403);
  }
}
