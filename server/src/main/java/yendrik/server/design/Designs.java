package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.COURSE_VERSION;
import static yendrik.schema.Tables.PLANNED_PUBLICATION;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.check.References;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.rule.words.Faults;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/** The designs of courses: the draft, and what was published, compiled and kept at hand. */
@Service
public class Designs {
  /** Publications are kept at hand up to so many steps in all. */
  private static final int KEPT_STEPS = 100_000;

  private static final int KEPT_DRAFTS = 20;
  private final DSLContext db;
  private final DraftStore drafts;
  private final StepAuthors rooms;
  private final Institutions institutions;
  private final Cache<Key, Ready> ready =
      Caffeine.newBuilder()
          .maximumWeight(KEPT_STEPS)
          .weigher((Key _, Ready r) -> 1 + r.compiled().index().steps())
          .build();
  private final Cache<CourseId, Ready> readyDrafts =
      Caffeine.newBuilder().maximumSize(KEPT_DRAFTS).build();

  private record Key(CourseId course, int version) {}

  /** A document with its design compiled. */
  public record Ready(Document document, CompiledCourse compiled) {
    public int version() {
      return document.design().version();
    }

    /** What a publication keeps: of the other courses those only that its rules ask about. */
    public Document kept() {
      return new Document(
          document.design().naming(compiled.otherCourses()),
          document.contents(),
          document.minutes(),
          document.words(),
          document.faces(),
          document.rubrics());
    }
  }

  Designs(DSLContext db, DraftStore drafts, StepAuthors rooms, Institutions institutions) {
    this.institutions = institutions;
    this.db = db;
    this.drafts = drafts;
    this.rooms = rooms;
  }

  /** What learners have now; empty before the first publication. */
  public Optional<Ready> published(CourseId course) {
    int version =
        db.select(COURSE.PUBLISHED_VERSION)
            .from(COURSE)
            .where(COURSE.ID.eq(course))
            .fetchSingle()
            .value1();
    return version == 0 ? Optional.empty() : Optional.of(version(course, version));
  }

  /** A publication; it never changes. */
  public Ready version(CourseId course, int version) {
    return ready.get(new Key(course, version), this::load);
  }

  private Ready load(Key key) {
    var json =
        db.select(COURSE_VERSION.DOCUMENT)
            .from(COURSE_VERSION)
            .where(
                COURSE_VERSION.COURSE_ID.eq(key.course()), COURSE_VERSION.NUMBER.eq(key.version()))
            .fetchSingle()
            .value1();
    Document document = Documents.read(json, rooms);
    return new Ready(document, CompiledCourse.of(document.design()));
  }

  /**
   * Every document that learners have or are to have: what is published last, what others still
   * have, and what is planned.
   */
  public List<Document> live(CourseId course) {
    List<Document> live = new ArrayList<>();
    db.select(COURSE.EVERYONES_VERSION, COURSE.PUBLISHED_VERSION)
        .from(COURSE)
        .where(COURSE.ID.eq(course))
        .forEach(c -> {
          for (int v = Math.max(1, c.value1()); v <= c.value2(); v++)
            live.add(version(course, v).document());
        });
    db.select(PLANNED_PUBLICATION.DOCUMENT)
        .from(PLANNED_PUBLICATION)
        .where(PLANNED_PUBLICATION.COURSE_ID.eq(course))
        .forEach(p -> live.add(Documents.read(p.value1(), rooms)));
    return live;
  }

  /** What the registers of a course can say now, in the order in which it is offered. */
  public List<AttendanceStatus> statuses(CourseId course) {
    return drafts.statuses(course);
  }

  /** What each group of a course is called, those that are over too. */
  public Map<GroupId, String> groupNames(CourseId course) {
    return drafts.groupNames(course);
  }

  public Document draft(CourseId course) {
    return drafts.document(course);
  }

  /**
   * The draft, compiled; the same as the last time while nothing in it has changed.
   *
   * @throws Problem with all faults in words, if it has any
   */
  public Ready readyDraft(CourseId course) {
    Document draft = draft(course);
    Ready last = readyDrafts.getIfPresent(course);
    if (last != null && last.document().equals(draft)) return last;
    List<Fault> faults = References.check(draft.design());
    if (!faults.isEmpty()) throw Problem.faults(words(draft.design(), faults), "draft-has-faults");
    var made = new Ready(draft, CompiledCourse.of(draft.design()));
    readyDrafts.put(course, made);
    return made;
  }

  /**
   * The draft, compiled and fit for learners.
   *
   * @throws Problem with all faults in words, if it has any
   */
  public Ready fitToPublish(CourseId course) {
    Ready draft = readyDraft(course);
    List<Phrase> faults = rooms.faults(draft.document());
    if (!faults.isEmpty()) throw Problem.faults(faults, "draft-has-faults");
    return draft;
  }

  /** What keeps published steps of a draft from learners, in words. */
  public List<Phrase> lacking(Document draft) {
    return rooms.faults(draft);
  }

  public DraftMark mark(Document draft) {
    return DraftMark.of(draft);
  }

  /** Names of what differs between a draft that somebody saw and the one that there is now. */
  public List<String> changedSince(DraftMark seen, Document draft) {
    return said(seen.changedIn(draft));
  }

  /** Names of what differs between the draft and what learners have; none when nothing does. */
  public List<String> changed(CourseId course, Document draft) {
    return between(published(course).map(Ready::document), draft);
  }

  /** Names of what differs between two documents of a course; all of it where one is the first. */
  public List<String> between(Optional<Document> earlier, Document later) {
    return said(
        earlier
            .map(e -> DraftMark.changed(e, later))
            .orElseGet(() -> new DraftMark(Map.of()).changedIn(later)));
  }

  private List<String> said(List<Phrase> names) {
    return names.stream().map(institutions::say).sorted().toList();
  }

  static List<Phrase> words(CourseDesign design, List<Fault> faults) {
    Faults words = new Faults(design);
    return faults.stream().map(words::sentence).toList();
  }
}
