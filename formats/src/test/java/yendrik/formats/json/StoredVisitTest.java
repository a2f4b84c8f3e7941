package yendrik.formats.json;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.time.TimeFact;

class StoredVisitTest {
  private static final StepId STEP = new StepId(7);
  private static final Optional<PersonId> EDDA = Optional.of(new PersonId(3));
  private static final Instant NINE = Instant.parse("2026-09-01T09:01:00.000250Z");
  private static final Fact TIME = fact(101, NINE, new TimeFact.SpentTime(STEP, 60));
  private static final Fact FILM =
      fact(117, NINE.plusSeconds(30), new FilmFact.Watched(STEP, 0, 30, 240));

  private static Fact fact(long id, Instant at, Fact.What what) {
    return new Fact(new FactId(id), at, EDDA, what, Optional.empty());
  }

  private static ObjectNode visit() {
    ObjectNode body = StoredVisit.begin(TIME);
    ((ArrayNode) body.get(StoredVisit.PARTS)).add(StoredVisit.part(FILM));
    return body;
  }

  @Test
  void a_visit_is_written_in_the_documented_form() {
    assertThat(visit().toString())
        .isEqualTo(
            "{\"step\":7,\"parts\":["
                + "{\"id\":101,\"at\":\"2026-09-01T09:01:00.000250Z\",\"is\":\"spent-time\",\"seconds\":60},"
                + "{\"id\":117,\"at\":\"2026-09-01T09:01:30.000250Z\",\"is\":\"watched\","
                + "\"from\":0,\"to\":30,\"of\":240}]}");
  }

  @Test
  void its_facts_come_back_as_they_were() {
    var read = (ObjectNode) CoreJson.mapper().readTree(visit().toString());
    assertThat(StoredVisit.facts(read, EDDA)).isEqualTo(List.of(TIME, FILM));
  }

  @Test
  void what_is_more_than_a_report_or_corrects_one_stays_by_itself() {
    assertThat(StoredVisit.step(TIME)).contains(STEP);
    assertThat(StoredVisit.step(fact(1, NINE, new SeenFact.Saw(STEP)))).isEmpty();
    var correction = new Fact(new FactId(2), NINE, EDDA, TIME.what(), Optional.of(TIME.id()));
    assertThat(StoredVisit.step(correction)).isEmpty();
  }
}
