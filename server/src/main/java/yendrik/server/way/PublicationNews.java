package yendrik.server.way;

import static yendrik.schema.Tables.COURSE_VERSION;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Progress;
import yendrik.core.words.Phrase;
import yendrik.server.people.People;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;

/** Writes to learners for whom a publication opens something, where its author wants it so. */
@Component
class PublicationNews {
  private final DSLContext db;
  private final People people;
  private final Outbox outbox;

  PublicationNews(DSLContext db, People people, Outbox outbox) {
    this.db = db;
    this.people = people;
    this.outbox = outbox;
  }

  /**
   * A learner has come under a publication.
   *
   * @param walk as it was before
   * @param version the publication; one that it passes over may have wanted it so too
   */
  void tell(Walk walk, Progress under, int version) {
    List<String> opened = opened(walk.progress(), under);
    if (opened.isEmpty()) return;
    db.select(COURSE_VERSION.PUBLISHED_BY)
        .from(COURSE_VERSION)
        .where(
            COURSE_VERSION.COURSE_ID.eq(walk.course()),
            COURSE_VERSION.NUMBER.gt(walk.ready().version()),
            COURSE_VERSION.NUMBER.le(version),
            COURSE_VERSION.TELLS.isTrue())
        .orderBy(COURSE_VERSION.NUMBER.desc())
        .limit(1)
        .fetchOptional(COURSE_VERSION.PUBLISHED_BY)
        .ifPresent(by -> outbox.put(List.of(letter(walk, under, by, opened))));
  }

  private static List<String> opened(Progress before, Progress under) {
    CourseIndex was = before.course().index();
    CourseIndex is = under.course().index();
    List<String> names = new ArrayList<>();
    for (int s = 0; s < is.steps(); s++) {
      int old = was.number(is.step(s).id());
      boolean wasOpen = old != CourseIndex.UNKNOWN && before.sight().open(old);
      boolean todo = under.sight().open(s) && under.doneAt(s).isEmpty();
      if (todo && !wasOpen) names.add(is.step(s).name());
    }
    return names;
  }

  private Letter letter(Walk walk, Progress under, PersonId by, List<String> opened) {
    String course = under.course().design().name();
    Map<PersonId, String> names = people.names(List.of(walk.person(), by));
    Phrase body =
        Phrase.of("letter.opened.body", "name", first(names.getOrDefault(walk.person(), "")))
            .and("course", course)
            .and("what", "- " + String.join("\n- ", opened))
            .and("from", names.getOrDefault(by, ""));
    return Letter.of(
        walk.course(),
        by,
        walk.person(),
        walk.writing().say(Phrase.of("letter.opened.subject", "course", course)),
        walk.writing().say(body));
  }

  private static String first(String name) {
    return name.split(" ")[0];
  }
}
