package yendrik.server.files;

import static yendrik.schema.Tables.CONTENT;
import static yendrik.schema.Tables.FILE;
import static yendrik.schema.Tables.FILE_PART;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.Enumeration;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;

/** Moves files out of the database, where older versions kept them in parts. */
@Component
class MovedOut implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(MovedOut.class);
  private final DSLContext db;
  private final Contents contents;
  private final TransactionOperations transactions;
  private final Clock clock;

  MovedOut(DSLContext db, Contents contents, TransactionOperations transactions, Clock clock) {
    this.db = db;
    this.contents = contents;
    this.transactions = transactions;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    int moved = 0;
    while (Boolean.TRUE.equals(transactions.execute(_ -> one()))) moved++;
    if (moved > 0) LOG.info("{} files have moved from the database to their folder", moved);
  }

  private boolean one() {
    var next =
        db.selectFrom(FILE)
            .where(FILE.HASH.isNull())
            .orderBy(FILE.ID)
            .limit(1)
            .forUpdate()
            .skipLocked()
            .fetchOptional();
    if (next.isEmpty()) return false;
    long id = next.get().getId();
    try (InputStream in = new SequenceInputStream(new Parts(id))) {
      Contents.Arrived arrived = contents.take(in, Long.MAX_VALUE - 1);
      db.insertInto(CONTENT)
          .set(CONTENT.HASH, arrived.hash())
          .set(CONTENT.BYTES, arrived.bytes())
          .set(CONTENT.STORED_AT, clock.instant())
          .onConflictDoNothing()
          .execute();
      contents.put(arrived);
      contents.forget(arrived);
      db.update(FILE).set(FILE.HASH, arrived.hash()).where(FILE.ID.eq(id)).execute();
      db.deleteFrom(FILE_PART).where(FILE_PART.FILE_ID.eq(id)).execute();
      return true;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (Contents.TooMuch e) {
      throw new IllegalStateException(e);
    }
  }

  /** The parts of a file, fetched one by one. */
  private final class Parts implements Enumeration<InputStream> {
    private final long file;
    private int number;
    private byte[] next;

    Parts(long file) {
      this.file = file;
      next = part();
    }

    private byte[] part() {
      return db.select(FILE_PART.CONTENT)
          .from(FILE_PART)
          .where(FILE_PART.FILE_ID.eq(file), FILE_PART.NUMBER.eq(number))
          .fetchOptional(FILE_PART.CONTENT)
          .orElse(new byte[0]);
    }

    @Override
    public boolean hasMoreElements() {
      return next.length > 0;
    }

    @Override
    public InputStream nextElement() {
      var part = new ByteArrayInputStream(next);
      number++;
      next = part();
      return part;
    }
  }
}
