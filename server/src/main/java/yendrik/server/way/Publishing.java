package yendrik.server.way;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.COURSE_VERSION;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.CourseId;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.Facts;
import yendrik.server.design.Designs;
import yendrik.server.design.Json;
import yendrik.server.http.Problem;
import yendrik.server.people.People;

/** Makes a draft what learners have, and says beforehand what that does to them. */
@Service
@Transactional
public class Publishing {
  private final DSLContext db;
  private final Designs designs;
  private final Walks walks;
  private final People people;
  private final Clock clock;

  Publishing(DSLContext db, Designs designs, Walks walks, People people, Clock clock) {
    this.db = db;
    this.designs = designs;
    this.walks = walks;
    this.people = people;
    this.clock = clock;
  }

  /**
   * What publishing now would do.
   *
   * @param learners how many learners would come under the new design
   */
  public record Impact(int learners, List<Change> changes) {}

  /** One consequence with the learners whom it concerns: "opens “Brake job card”". */
  public record Change(String what, List<String> learners) {}

  @Transactional(readOnly = true)
  public Impact impact(CourseId course) {
    Designs.Ready draft = designs.readyDraft(course);
    List<Long> enrolments = walks.learners(course);
    Map<String, List<String>> changes = new TreeMap<>();
    List<Walk> all = walks.seeAll(enrolments);
    Map<Long, String> names = people.names(all.stream().map(Walk::person).toList());
    for (Walk walk : all) {
      Progress before = walk.progress();
      Progress after =
          before.under(draft.compiled(), Facts.standing(walk.facts()), clock.instant());
      for (String what : differences(before, after))
        changes
            .computeIfAbsent(what, _ -> new ArrayList<>())
            .add(names.getOrDefault(walk.person(), ""));
    }
    return new Impact(
        all.size(),
        changes.entrySet().stream().map(e -> new Change(e.getKey(), e.getValue())).toList());
  }

  private static List<String> differences(Progress before, Progress after) {
    List<String> all = new ArrayList<>();
    CourseIndex was = before.course().index();
    CourseIndex is = after.course().index();
    for (int s = 0; s < is.steps(); s++) {
      String name = "“" + is.step(s).name() + "”";
      int old = was.number(is.step(s).id());
      boolean wasOpen = old != CourseIndex.UNKNOWN && before.sight().open(old);
      boolean isOpen = after.sight().open(s);
      boolean wasDone = old != CourseIndex.UNKNOWN && state(before, old) == StepState.DONE;
      boolean isDone = state(after, s) == StepState.DONE;
      if (isDone && !wasDone) all.add(name + " becomes done");
      else if (isOpen && !wasOpen) all.add(name + " opens");
      else if (!isOpen && wasOpen) all.add(name + " closes");
    }
    for (int b = 0; b < is.badges(); b++) {
      int old = was.number(is.badge(b).id());
      boolean held = old != CourseIndex.UNKNOWN && before.sight().holds(old);
      if (after.sight().holds(b) && !held) all.add("badge “" + is.badge(b).name() + "” is issued");
    }
    for (int o = 0; o < is.outcomes(); o++) {
      int old = was.number(is.outcome(o).id());
      if (old == CourseIndex.UNKNOWN) continue;
      String then = level(before, old);
      String now = level(after, o);
      if (!then.equals(now)) all.add(is.outcome(o).code() + ": " + then + " becomes " + now);
    }
    if (after.completedAt().isPresent() && before.completedAt().isEmpty())
      all.add("the course is complete");
    return all;
  }

  private static String level(Progress progress, int outcome) {
    var level = progress.record().level(outcome);
    return level.isEmpty()
        ? "no level"
        : "“"
            + progress
                .course()
                .index()
                .outcome(outcome)
                .scale()
                .levels()
                .get(level.getAsInt())
                .name()
            + "”";
  }

  private static StepState state(Progress progress, int step) {
    return progress.bead(step).state();
  }

  /**
   * Publishes the draft for everyone.
   *
   * @return the number of the publication
   */
  public int publish(CourseId course, long by) {
    db.selectFrom(COURSE).where(COURSE.ID.eq(course.value())).forUpdate().fetchSingle();
    Designs.Ready draft = designs.readyDraft(course);
    if (draft.document().design().steps().findAny().isEmpty())
      throw Problem.conflict("There is nothing to publish yet. Add a module with a step first.");
    Instant now = clock.instant();
    int version = draft.version();
    db.insertInto(COURSE_VERSION)
        .set(COURSE_VERSION.COURSE_ID, course.value())
        .set(COURSE_VERSION.NUMBER, version)
        .set(COURSE_VERSION.PUBLISHED_AT, now)
        .set(COURSE_VERSION.PUBLISHED_BY, by)
        .set(COURSE_VERSION.DOCUMENT, Json.of(draft.document()))
        .execute();
    db.update(COURSE)
        .set(COURSE.PUBLISHED_VERSION, version)
        .where(COURSE.ID.eq(course.value()))
        .execute();
    for (long enrolment : walks.learners(course)) walks.moveTo(enrolment, draft, now);
    return version;
  }

  /** A publication in the course's history. */
  public record Published(int number, Instant at, String by) {}

  @Transactional(readOnly = true)
  public List<Published> history(CourseId course) {
    return db.select(COURSE_VERSION.NUMBER, COURSE_VERSION.PUBLISHED_AT, PERSON.NAME)
        .from(COURSE_VERSION)
        .join(PERSON)
        .on(PERSON.ID.eq(COURSE_VERSION.PUBLISHED_BY))
        .where(COURSE_VERSION.COURSE_ID.eq(course.value()))
        .orderBy(COURSE_VERSION.NUMBER.desc())
        .fetch(r -> new Published(r.value1(), r.value2(), r.value3()));
  }
}
