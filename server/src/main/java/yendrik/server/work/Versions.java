package yendrik.server.work;

import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.HANDED_IN;
import static yendrik.schema.Tables.WORK_DRAFT;

import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.StepId;
import yendrik.server.design.Json;
import yendrik.server.design.TextFiles;
import yendrik.server.design.UsesFiles;
import yendrik.server.files.Files;
import yendrik.server.texts.OwnTexts;

/** What was handed in, version by version. */
@Repository
public class Versions implements UsesFiles {
  private final DSLContext db;
  private final Clock clock;

  Versions(DSLContext db, Clock clock) {
    this.db = db;
    this.clock = clock;
  }

  /** One handing-in. */
  public record Version(int version, Instant at, Work work) {
    public String text() {
      return work.text();
    }
  }

  /**
   * What is handed in.
   *
   * @param text safe HTML
   * @param link empty for none
   * @param files all of them, those in the text too
   */
  public record Work(String text, String link, List<Files.Kept> files) {
    public Work {
      files = List.copyOf(files);
    }

    public boolean isEmpty() {
      return OwnTexts.isBlank(text) && link.isBlank() && files.isEmpty();
    }

    /** The files that do not stand in the text. */
    public List<Files.Kept> besides() {
      return TextFiles.besides(text, files);
    }
  }

  /** What was begun and not handed in. */
  public record Draft(Work work, Instant at) {}

  /** Where work is handed in. */
  public record Place(EnrolmentId enrolment, StepId step) {}

  /** The newest handing-in, without what was handed in. */
  public record Newest(int version, Instant at) {}

  /** All versions of a learner's work at a step, oldest first. */
  public List<Version> of(EnrolmentId enrolment, StepId step) {
    return db.selectFrom(HANDED_IN)
        .where(HANDED_IN.ENROLMENT_ID.eq(enrolment), HANDED_IN.STEP_ID.eq(step))
        .orderBy(HANDED_IN.VERSION)
        .fetch(h ->
            new Version(
                h.getVersion(),
                h.getAt(),
                new Work(h.getBody(), h.getLink(), files(h.getFiles()))));
  }

  /** The newest of everything that these learners handed in. */
  public Map<Place, Newest> newest(Collection<EnrolmentId> enrolments) {
    Map<Place, Newest> newest = new HashMap<>();
    db.select(HANDED_IN.ENROLMENT_ID, HANDED_IN.STEP_ID, HANDED_IN.VERSION, HANDED_IN.AT)
        .from(HANDED_IN)
        .where(HANDED_IN.ENROLMENT_ID.in(enrolments))
        .orderBy(HANDED_IN.VERSION)
        .forEach(
            r -> newest.put(new Place(r.value1(), r.value2()), new Newest(r.value3(), r.value4())));
    return newest;
  }

  /** Keeps another version. */
  public void add(EnrolmentId enrolment, StepId step, int version, Work work) {
    db.insertInto(HANDED_IN)
        .set(HANDED_IN.ENROLMENT_ID, enrolment)
        .set(HANDED_IN.STEP_ID, step)
        .set(HANDED_IN.VERSION, version)
        .set(HANDED_IN.BODY, work.text())
        .set(HANDED_IN.LINK, work.link())
        .set(HANDED_IN.FILES, Json.of(work.files()))
        .set(HANDED_IN.AT, clock.instant())
        .execute();
  }

  private static List<Files.Kept> files(JSONB json) {
    return Json.list(json, Files.Kept.class);
  }

  /** What was begun at a step and not handed in. */
  public Optional<Draft> draft(EnrolmentId enrolment, StepId step) {
    return db.selectFrom(WORK_DRAFT)
        .where(WORK_DRAFT.ENROLMENT_ID.eq(enrolment), WORK_DRAFT.STEP_ID.eq(step))
        .fetchOptional(
            d -> new Draft(new Work(d.getBody(), d.getLink(), files(d.getFiles())), d.getAt()));
  }

  /** Keeps what was begun. */
  public void keep(EnrolmentId enrolment, StepId step, Work work) {
    db.insertInto(WORK_DRAFT)
        .set(WORK_DRAFT.ENROLMENT_ID, enrolment)
        .set(WORK_DRAFT.STEP_ID, step)
        .set(WORK_DRAFT.BODY, work.text())
        .set(WORK_DRAFT.LINK, work.link())
        .set(WORK_DRAFT.FILES, Json.of(work.files()))
        .set(WORK_DRAFT.AT, clock.instant())
        .onConflict(WORK_DRAFT.ENROLMENT_ID, WORK_DRAFT.STEP_ID)
        .doUpdate()
        .set(WORK_DRAFT.BODY, work.text())
        .set(WORK_DRAFT.LINK, work.link())
        .set(WORK_DRAFT.FILES, Json.of(work.files()))
        .set(WORK_DRAFT.AT, clock.instant())
        .execute();
  }

  /** Lets go of what was begun. */
  public void forget(EnrolmentId enrolment, StepId step) {
    db.deleteFrom(WORK_DRAFT)
        .where(WORK_DRAFT.ENROLMENT_ID.eq(enrolment), WORK_DRAFT.STEP_ID.eq(step))
        .execute();
  }

  /** A file that was handed in, or is to be. */
  public Optional<Files.Kept> file(EnrolmentId enrolment, StepId step, long file, boolean drafts) {
    Stream<Files.Kept> handedIn =
        of(enrolment, step).stream().flatMap(v -> v.work().files().stream());
    Stream<Files.Kept> begun =
        drafts
            ? draft(enrolment, step).stream().flatMap(d -> d.work().files().stream())
            : Stream.empty();
    return Stream.concat(handedIn, begun).filter(f -> f.id() == file).findFirst();
  }

  @Override
  public Set<Long> files(CourseId course) {
    Set<Long> all = new HashSet<>();
    db.select(HANDED_IN.FILES)
        .from(HANDED_IN)
        .join(ENROLMENT)
        .on(ENROLMENT.ID.eq(HANDED_IN.ENROLMENT_ID))
        .where(ENROLMENT.COURSE_ID.eq(course))
        .forEach(r -> files(r.value1()).forEach(f -> all.add(f.id())));
    db.select(WORK_DRAFT.FILES)
        .from(WORK_DRAFT)
        .join(ENROLMENT)
        .on(ENROLMENT.ID.eq(WORK_DRAFT.ENROLMENT_ID))
        .where(ENROLMENT.COURSE_ID.eq(course))
        .forEach(r -> files(r.value1()).forEach(f -> all.add(f.id())));
    return all;
  }
}
