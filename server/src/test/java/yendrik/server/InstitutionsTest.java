package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.schema.Tables.INSTITUTION;

import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.jooq.tools.jdbc.MockConnection;
import org.junit.jupiter.api.Test;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.institution.Institutions;

class InstitutionsTest {
  @Test
  void without_a_database_sentences_are_said_as_they_ship_and_only_the_first_one_waits() {
    var asked = new AtomicInteger();
    var away =
        new MockConnection(_ -> {
          asked.incrementAndGet();
          throw new java.sql.SQLException("away from " + INSTITUTION.getName());
        });
    var institutions = new Institutions(DSL.using(away, SQLDialect.POSTGRES), CoreJson.mapper());
    assertThat(institutions.say(Phrase.of("problem.there-already")))
        .isEqualTo("Something with the same code or name is there already.");
    institutions.say(Phrase.of("problem.sign-in"));
    assertThat(asked).hasValue(1);
  }
}
