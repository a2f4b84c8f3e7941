package yendrik.server.files;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.FILE;
import static yendrik.schema.Tables.FILE_PART;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import org.apache.tika.Tika;
import org.apache.tika.mime.MediaType;
import org.apache.tika.mime.MediaTypeRegistry;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionOperations;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;

/**
 * Files of a course, kept in the database in parts. What they are is told by their content; the
 * name only tells apart what the same content may be.
 */
@Repository
@Transactional
public class Files {
  static final int PART = 1 << 20;
  private static final Tika CONTENT = new Tika();
  private static final MediaTypeRegistry TYPES = MediaTypeRegistry.getDefaultRegistry();
  private final DSLContext db;
  private final Clock clock;
  private final TransactionOperations transactions;

  Files(DSLContext db, Clock clock, TransactionOperations transactions) {
    this.db = db;
    this.clock = clock;
    this.transactions = transactions;
  }

  /**
   * A file that is kept.
   *
   * @param mediaType as its content says
   */
  public record Kept(long id, String name, String mediaType, long bytes) {}

  /**
   * Keeps a file.
   *
   * @param most bytes that it may have
   * @param kinds media types that it may be of
   * @throws Problem naming the field {@code file} when it is empty, too large or of another kind
   */
  @Transactional(propagation = Propagation.NOT_SUPPORTED)
  public Kept keep(
      CourseId course,
      PersonId by,
      String name,
      InputStream content,
      long most,
      Set<String> kinds) {
    try (Upload upload = Upload.of(content, name, most)) {
      String type = type(upload, name);
      if (!kinds.contains(type))
        throw Problem.field(
            "file", "file-of-wrong-type", "name", name, "type", type, "types", list(kinds));
      return requireNonNull(transactions.execute(_ -> insert(course, by, name, upload, type)));
    }
  }

  /**
   * What a file is by its content. Its name only says more exactly what the content says already:
   * random bytes are no film, whatever they are called.
   */
  private static String type(Upload upload, String name) {
    try (InputStream plain = upload.content();
        InputStream named = upload.content()) {
      MediaType content = MediaType.parse(CONTENT.detect(plain));
      MediaType called = MediaType.parse(CONTENT.detect(named, name));
      boolean exact =
          !content.equals(MediaType.OCTET_STREAM) && TYPES.isInstanceOf(called, content);
      return (exact ? called : content).toString();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Kept insert(CourseId course, PersonId by, String name, Upload upload, String mediaType) {
    try (InputStream content = upload.content()) {
      long id =
          db.insertInto(FILE)
              .set(FILE.COURSE_ID, course)
              .set(FILE.NAME, name)
              .set(FILE.MEDIA_TYPE, mediaType)
              .set(FILE.BYTES, upload.bytes())
              .set(FILE.UPLOADED_BY, by)
              .set(FILE.UPLOADED_AT, clock.instant())
              .returning(FILE.ID)
              .fetchSingle(FILE.ID);
      byte[] part = content.readNBytes(PART);
      for (int number = 0; part.length > 0; number++) {
        db.insertInto(FILE_PART)
            .set(FILE_PART.FILE_ID, id)
            .set(FILE_PART.NUMBER, number)
            .set(FILE_PART.CONTENT, part)
            .execute();
        part = content.readNBytes(PART);
      }
      return new Kept(id, name, mediaType, upload.bytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String list(Set<String> kinds) {
    return String.join(", ", kinds.stream().sorted().toList());
  }

  /** A file of a course. */
  @Transactional(readOnly = true)
  public Optional<Kept> of(CourseId course, long id) {
    return db.selectFrom(FILE)
        .where(FILE.ID.eq(id), FILE.COURSE_ID.eq(course))
        .fetchOptional(f -> new Kept(f.getId(), f.getName(), f.getMediaType(), f.getBytes()));
  }

  /** The content, read part by part as it is asked for. */
  public KeptResource content(Kept file) {
    return new KeptResource(file, number -> part(file.id(), number));
  }

  private byte[] part(long id, int number) {
    return db.select(FILE_PART.CONTENT)
        .from(FILE_PART)
        .where(FILE_PART.FILE_ID.eq(id), FILE_PART.NUMBER.eq(number))
        .fetchSingle()
        .value1();
  }
}
