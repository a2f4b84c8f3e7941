package yendrik.server.wording;

import static yendrik.schema.Tables.COURSE;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.words.Moment;
import yendrik.core.words.OwnWords;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.way.Walk;

/** What is said to learners, in the words of the step, the course or the institution. */
@Service
@Transactional
public class Wordings {
  /** Every server has changed words within so long. */
  private static final Duration KEPT = Duration.ofSeconds(30);

  private static final int KEPT_COURSES = 1000;
  private final DSLContext db;
  private final Institutions institutions;
  private final People people;
  private final FieldChanges changes;
  private final LoadingCache<CourseId, OwnWords> ofCourses =
      Caffeine.newBuilder().maximumSize(KEPT_COURSES).refreshAfterWrite(KEPT).build(this::read);

  Wordings(DSLContext db, Institutions institutions, People people, FieldChanges changes) {
    this.db = db;
    this.institutions = institutions;
    this.people = people;
    this.changes = changes;
  }

  private OwnWords read(CourseId course) {
    return db.select(COURSE.OWN_WORDS)
        .from(COURSE)
        .where(COURSE.ID.eq(course))
        .fetchSingle(COURSE.OWN_WORDS);
  }

  /**
   * What is said to a learner at a moment.
   *
   * @param s the number of the step that it is about, if it is about one
   */
  @Transactional(readOnly = true)
  public String say(Walk walk, Moment moment, OptionalInt s) {
    String course = walk.index().design().name();
    String step = s.isPresent() ? walk.step(s.getAsInt()).name() : "";
    OwnWords own = ofCourses.get(walk.course()).over(institutions.said());
    if (s.isPresent()) own = walk.ready().document().words(walk.step(s.getAsInt()).id()).over(own);
    return own.say(
            moment,
            name ->
                switch (name) {
                  case "learner" -> learner(walk);
                  case "step" -> step;
                  default -> course;
                })
        .orElseGet(() -> walk.writing().say(moment.shipped(step, course)));
  }

  private String learner(Walk walk) {
    return people.names(List.of(walk.person())).getOrDefault(walk.person(), "");
  }

  /**
   * Own words to be changed.
   *
   * @param otherwise what is said where nothing is written
   */
  public record View(WordsEdit own, WordsEdit otherwise) {}

  @Transactional(readOnly = true)
  public View course(CourseId course) {
    return new View(WordsEdit.of(read(course)), WordsEdit.of(institutions.said().over(shipped())));
  }

  /** What ships, with the names of what stands in it. */
  OwnWords shipped() {
    Map<Moment, String> texts = new EnumMap<>(Moment.class);
    for (Moment moment : Moment.values())
      texts.put(moment, institutions.say(moment.shipped("{step}", "{course}")));
    return new OwnWords(texts);
  }

  /** Changes some texts of a course; learners read them at once. */
  View change(CourseId course, FieldsEdit fields) {
    OwnWords was =
        db.select(COURSE.OWN_WORDS)
            .from(COURSE)
            .where(COURSE.ID.eq(course))
            .forNoKeyUpdate()
            .fetchSingle(COURSE.OWN_WORDS);
    write(course, changes.apply(WordsEdit.of(was), fields, () -> course(course)).words());
    return course(course);
  }

  /** Says in a course what is to be said there. */
  public void write(CourseId course, OwnWords words) {
    db.update(COURSE).set(COURSE.OWN_WORDS, words).where(COURSE.ID.eq(course)).execute();
  }

  /** Has the words of a course read again by whoever asks next. */
  void changed(CourseId course) {
    ofCourses.invalidate(course);
  }
}
