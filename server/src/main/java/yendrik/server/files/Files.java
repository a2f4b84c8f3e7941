package yendrik.server.files;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.CONTENT;
import static yendrik.schema.Tables.FILE;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.Optional;
import java.util.function.Function;
import org.apache.tika.Tika;
import org.apache.tika.mime.MediaType;
import org.apache.tika.mime.MediaTypeRegistry;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import yendrik.core.Plain;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.schema.tables.records.FileRecord;
import yendrik.server.http.Problem;

/**
 * Files of courses: rows with a name, whose contents lie elsewhere, each once. What they are is
 * told by their content; the name only tells apart what the same content may be.
 */
@Repository
@Transactional
public class Files {
  private static final Tika CONTENT_TYPES = new Tika();
  private static final MediaTypeRegistry TYPES = MediaTypeRegistry.getDefaultRegistry();

  /** All files of a course together. */
  private static final long MOST_OF_COURSE = 20L << 30;

  private static final int LONGEST_NAME = 200;
  private final DSLContext db;
  private final Clock clock;
  private final TransactionOperations transactions;
  private final Contents contents;
  private final Uploads uploads;
  private final VirusCheck viruses;

  Files(
      DSLContext db,
      Clock clock,
      TransactionOperations transactions,
      Contents contents,
      Uploads uploads,
      VirusCheck viruses) {
    this.db = db;
    this.clock = clock;
    this.transactions = transactions;
    this.contents = contents;
    this.uploads = uploads;
    this.viruses = viruses;
  }

  /**
   * A file that is kept.
   *
   * @param mediaType as its content says
   */
  public record Kept(long id, String name, String mediaType, long bytes) {}

  /**
   * Keeps a file that was sent before.
   *
   * @throws Problem naming the field {@code file} when it is empty, too large, harmful or of
   *     another kind, or {@code upload} when it has not come in whole
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public Kept keep(CourseId course, PersonId by, String upload, Accepts accepts) {
    Kept kept;
    try (Uploads.Arrived sent = uploads.arrived(by, upload)) {
      kept = keep(course, by, plain(sent.name()), sent.content(), accepts);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    uploads.forget(by, upload);
    return kept;
  }

  /**
   * A picture that is kept elsewhere.
   *
   * @param hash of its content
   */
  public record Picture(String hash, String mediaType, byte[] content) {}

  /**
   * Looks through a small picture that was sent before.
   *
   * @throws Problem as {@link #keep} does, and when it has too many pixels
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public Picture picture(PersonId by, String upload, FileUse use) {
    Picture seen;
    try (Uploads.Arrived sent = uploads.arrived(by, upload)) {
      String name = plain(sent.name());
      seen = looked(name, sent.content(), use, arrived -> picture(name, arrived));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    uploads.forget(by, upload);
    return seen;
  }

  private static Picture picture(String name, Seen seen) {
    try {
      byte[] content = java.nio.file.Files.readAllBytes(seen.arrived.file());
      if (!seen.mediaType.equals("image/svg+xml")) Pixels.check(name, content);
      return new Picture(seen.arrived.hash(), seen.mediaType, content);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private record Seen(Contents.Arrived arrived, String mediaType) {}

  /** Keeps a file that is at hand. */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public Kept keep(
      CourseId course, PersonId by, String name, InputStream content, Accepts accepts) {
    return looked(
        name,
        content,
        accepts,
        seen ->
            requireNonNull(
                transactions.execute(_ -> insert(course, by, name, seen.arrived, seen.mediaType))));
  }

  /** Whether a file that is at hand could be kept. */
  public boolean accepts(String name, InputStream content, Accepts accepts) {
    try {
      return looked(name, content, accepts, _ -> true);
    } catch (Problem refused) {
      return false;
    }
  }

  /** Looks through a file that is at hand, and does something with it. */
  private <T> T looked(String name, InputStream content, Accepts accepts, Function<Seen, T> then) {
    try {
      Contents.Arrived arrived = contents.take(content, accepts.most());
      try {
        if (arrived.bytes() == 0) throw Problem.field("file", "file-empty");
        String type = type(arrived, name);
        if (!accepts.fits(type)) throw accepts.refusal(name, type);
        try (InputStream in = java.nio.file.Files.newInputStream(arrived.file())) {
          viruses.check(name, in);
        }
        return then.apply(new Seen(arrived, type));
      } finally {
        contents.forget(arrived);
      }
    } catch (Contents.TooMuch e) {
      throw Problem.field("file", "file-too-large", "name", name, "most", accepts.most() >> 20);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A name as it may stand in a line, whatever it was called elsewhere. */
  private static String plain(String name) {
    String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
    String clean = Plain.cleaned(last).strip();
    if (clean.isEmpty()) return "file";
    return clean.length() <= LONGEST_NAME ? clean : clean.substring(clean.length() - LONGEST_NAME);
  }

  /**
   * What a file is by its content. Its name only says more exactly what the content says already:
   * random bytes are no film, whatever they are called.
   */
  private static String type(Contents.Arrived arrived, String name) throws IOException {
    try (InputStream plain = java.nio.file.Files.newInputStream(arrived.file());
        InputStream named = java.nio.file.Files.newInputStream(arrived.file())) {
      MediaType content = MediaType.parse(CONTENT_TYPES.detect(plain));
      MediaType called = MediaType.parse(CONTENT_TYPES.detect(named, name));
      boolean exact =
          !content.equals(MediaType.OCTET_STREAM) && TYPES.isInstanceOf(called, content);
      return (exact ? called : content).toString();
    }
  }

  private Kept insert(
      CourseId course, PersonId by, String name, Contents.Arrived arrived, String mediaType) {
    checkRoom(course, arrived.bytes());
    // Holds the row of the content, so that nobody takes it away meanwhile.
    db.insertInto(CONTENT)
        .set(CONTENT.HASH, arrived.hash())
        .set(CONTENT.BYTES, arrived.bytes())
        .set(CONTENT.STORED_AT, clock.instant())
        .onConflict(CONTENT.HASH)
        .doUpdate()
        .set(CONTENT.STORED_AT, clock.instant())
        .execute();
    try {
      contents.put(arrived);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    long id =
        db.insertInto(FILE)
            .set(FILE.COURSE_ID, course)
            .set(FILE.NAME, name)
            .set(FILE.MEDIA_TYPE, mediaType)
            .set(FILE.BYTES, arrived.bytes())
            .set(FILE.HASH, arrived.hash())
            .set(FILE.UPLOADED_BY, by)
            .set(FILE.UPLOADED_AT, clock.instant())
            .returning(FILE.ID)
            .fetchSingle(FILE.ID);
    return new Kept(id, name, mediaType, arrived.bytes());
  }

  private void checkRoom(CourseId course, long more) {
    long now =
        db.select(DSL.coalesce(DSL.sum(FILE.BYTES), DSL.inline(java.math.BigDecimal.ZERO)))
            .from(FILE)
            .where(FILE.COURSE_ID.eq(course))
            .fetchSingle()
            .value1()
            .longValue();
    if (now + more > MOST_OF_COURSE)
      throw Problem.field("file", "course-full", "most", MOST_OF_COURSE >> 30);
  }

  /** A file of a course. */
  @Transactional(readOnly = true)
  public Optional<Kept> of(CourseId course, long id) {
    return db.selectFrom(FILE)
        .where(FILE.ID.eq(id), FILE.COURSE_ID.eq(course))
        .fetchOptional(f -> new Kept(f.getId(), f.getName(), f.getMediaType(), f.getBytes()));
  }

  /** A file that somebody sent into a course. */
  @Transactional(readOnly = true)
  public Optional<Kept> own(CourseId course, PersonId by, long id) {
    return db.selectFrom(FILE)
        .where(FILE.ID.eq(id), FILE.COURSE_ID.eq(course), FILE.UPLOADED_BY.eq(by))
        .fetchOptional(f -> new Kept(f.getId(), f.getName(), f.getMediaType(), f.getBytes()));
  }

  /** The same file in another course; its content stays where it is. */
  public Optional<Kept> copy(CourseId from, long id, CourseId to) {
    return db.selectFrom(FILE)
        .where(FILE.ID.eq(id), FILE.COURSE_ID.eq(from))
        .fetchOptional()
        .map(f -> {
          checkRoom(to, f.getBytes());
          FileRecord row = f.copy();
          row.setCourseId(to);
          row.setUnusedSince(null);
          row.attach(db.configuration());
          row.insert();
          return new Kept(row.getId(), row.getName(), row.getMediaType(), row.getBytes());
        });
  }

  /** The content of a file, read as it is asked for. */
  @Transactional(readOnly = true)
  public Resource content(Kept file) {
    String hash =
        db.select(FILE.HASH).from(FILE).where(FILE.ID.eq(file.id())).fetchSingle().value1();
    return contents.read(requireNonNull(hash));
  }
}
