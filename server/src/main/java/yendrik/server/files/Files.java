package yendrik.server.files;

import static yendrik.schema.Tables.FILE;
import static yendrik.schema.Tables.FILE_PART;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import org.apache.tika.Tika;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
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
  private final DSLContext db;
  private final Clock clock;

  Files(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
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
  public Kept keep(
      CourseId course,
      PersonId by,
      String name,
      InputStream content,
      long most,
      Set<String> kinds) {
    try {
      byte[] part = content.readNBytes(PART);
      if (part.length == 0) throw Problem.field("file", "file-empty");
      String type = CONTENT.detect(new ByteArrayInputStream(part), name);
      if (!kinds.contains(type))
        throw Problem.field(
            "file", "file-of-wrong-type", "name", name, "type", type, "types", list(kinds));
      long id =
          db.insertInto(FILE)
              .set(FILE.COURSE_ID, course)
              .set(FILE.NAME, name)
              .set(FILE.MEDIA_TYPE, type)
              .set(FILE.BYTES, 1L)
              .set(FILE.UPLOADED_BY, by)
              .set(FILE.UPLOADED_AT, clock.instant())
              .returning(FILE.ID)
              .fetchSingle(FILE.ID);
      long bytes = 0;
      for (int number = 0; part.length > 0; number++) {
        bytes += part.length;
        if (bytes > most)
          throw Problem.field("file", "file-too-large", "name", name, "most", (most >> 20));
        db.insertInto(FILE_PART)
            .set(FILE_PART.FILE_ID, id)
            .set(FILE_PART.NUMBER, number)
            .set(FILE_PART.CONTENT, part)
            .execute();
        part = content.readNBytes(PART);
      }
      db.update(FILE).set(FILE.BYTES, bytes).where(FILE.ID.eq(id)).execute();
      return new Kept(id, name, type, bytes);
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
