package yendrik.server.reach;

import static yendrik.schema.Tables.LETTER;

import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;

/** Refuses more letters and messages than somebody writes in an hour who means each of them. */
@Repository
class LettersAnHour {
  /** Enough for one letter to everybody in a very large course. */
  private static final int MOST = 6_000;

  private final DSLContext db;
  private final Clock clock;

  LettersAnHour(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** Refuses if somebody would have written too many with these. */
  void check(PersonId by, int more) {
    int written =
        db.fetchCount(
            LETTER,
            LETTER.SENDER_ID.eq(by),
            LETTER.CREATED_AT.gt(clock.instant().minus(Duration.ofHours(1))));
    if (written + more > MOST)
      throw Problem.tooMany(Optional.empty(), "letters-an-hour", "written", written, "most", MOST);
  }
}
