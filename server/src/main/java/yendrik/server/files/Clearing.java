package yendrik.server.files;

import static yendrik.schema.Tables.CONTENT;
import static yendrik.schema.Tables.FILE;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionOperations;
import yendrik.core.id.CourseId;

/** Takes away files that nothing has spoken of for long, and contents that no file has. */
@Service
public class Clearing {
  /** So long what is not used can be taken up again: by undoing, or by a draft that is older. */
  public static final Duration KEPT = Duration.ofDays(30);

  private static final Duration LEFT_OVER = Duration.ofDays(2);
  private static final Logger LOG = LoggerFactory.getLogger(Clearing.class);
  private final DSLContext db;
  private final Clock clock;
  private final Contents contents;
  private final Uploads uploads;
  private final TransactionOperations transactions;

  Clearing(
      DSLContext db,
      Clock clock,
      Contents contents,
      Uploads uploads,
      TransactionOperations transactions) {
    this.db = db;
    this.clock = clock;
    this.contents = contents;
    this.uploads = uploads;
    this.transactions = transactions;
  }

  /** Takes down which files of a course are used and since when the others are not. */
  public void used(CourseId course, Set<Long> used) {
    db.update(FILE)
        .setNull(FILE.UNUSED_SINCE)
        .where(FILE.COURSE_ID.eq(course), FILE.ID.in(used), FILE.UNUSED_SINCE.isNotNull())
        .execute();
    db.update(FILE)
        .set(FILE.UNUSED_SINCE, clock.instant())
        .where(FILE.COURSE_ID.eq(course), FILE.ID.notIn(used), FILE.UNUSED_SINCE.isNull())
        .execute();
  }

  /**
   * Takes away what has not been used for long.
   *
   * @return how many files
   */
  public int clear() {
    int gone =
        db.deleteFrom(FILE).where(FILE.UNUSED_SINCE.lt(clock.instant().minus(KEPT))).execute();
    List<String> without =
        db.select(CONTENT.HASH)
            .from(CONTENT)
            .whereNotExists(db.selectOne().from(FILE).where(FILE.HASH.eq(CONTENT.HASH)))
            .fetch(CONTENT.HASH);
    without.forEach(this::remove);
    try {
      uploads.cleanUp();
      Set<String> known = new HashSet<>(db.select(CONTENT.HASH).from(CONTENT).fetch(CONTENT.HASH));
      int swept = contents.sweep(clock.instant().minus(LEFT_OVER), known::contains);
      if (gone + without.size() + swept > 0)
        LOG.info(
            "{} unused files, {} contents and {} left over have gone", gone, without.size(), swept);
    } catch (IOException e) {
      LOG.warn("the folder of files could not be cleared: {}", e.toString());
    }
    return gone;
  }

  /** Alone with the content, since somebody may be sending the same just now. */
  private void remove(String hash) {
    transactions.executeWithoutResult(_ -> {
      db.selectOne().from(CONTENT).where(CONTENT.HASH.eq(hash)).forUpdate().fetch();
      if (db.fetchExists(FILE, FILE.HASH.eq(hash))) return;
      db.deleteFrom(CONTENT).where(CONTENT.HASH.eq(hash)).execute();
      try {
        contents.remove(hash);
      } catch (IOException e) {
        LOG.warn("a content could not be taken away: {}", e.toString());
      }
    });
  }
}
