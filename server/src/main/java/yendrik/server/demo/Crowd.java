package yendrik.server.demo;

import static yendrik.schema.Tables.PERSON;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.jooq.DSLContext;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.seen.SeenFact;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.time.TimeFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.server.way.Walks;

/**
 * Many more learners for one course of the demo, to see how views and the server bear thousands.
 * They live through their weeks in a few large acts each instead of one act for every click.
 */
final class Crowd {
  private static final int WEEKS = 5;
  private final DSLContext db;
  private final DemoClock clock;
  private final Walks walks;
  private final Author course;
  private final CourseId induction;
  private final List<String> names;

  Crowd(
      DSLContext db,
      DemoClock clock,
      Walks walks,
      Author course,
      CourseId induction,
      List<String> names) {
    this.db = db;
    this.clock = clock;
    this.walks = walks;
    this.course = course;
    this.induction = induction;
    this.names = names;
  }

  /** Enrols so many; their addresses are crowd1@, crowd2@ and so on, with everybody's password. */
  void enrol(int many, String passwordHash, GroupId group, PersonId staff, Instant start) {
    for (int n = 1; n <= many; n++) {
      clock.putTo(start.minus(Duration.ofDays(3)));
      EnrolmentId enrolment =
          walks.enrol(course.course, person(n, passwordHash), Optional.of(staff));
      walks.act(
          enrolment,
          Optional.of(staff),
          _ -> List.of(new Fact.JoinedGroup(group), new Fact.CompletedCourse(induction)));
      live(enrolment, new Random(n), start);
    }
  }

  private PersonId person(int n, String passwordHash) {
    String first = names.get(n % names.size()).split(" ")[0];
    String last = names.get(n / names.size() % names.size()).split(" ")[1];
    String name = first + " " + last + " " + n;
    return person(db, clock, name, "crowd" + n + "@hollowlane.example", passwordHash);
  }

  /** Somebody with a password that many have, which is hashed once. */
  static PersonId person(
      DSLContext db, DemoClock clock, String name, String email, String passwordHash) {
    return db.insertInto(PERSON)
        .set(PERSON.NAME, name)
        .set(PERSON.EMAIL, email)
        .set(PERSON.PASSWORD_HASH, passwordHash)
        .set(PERSON.ADMINISTRATOR, false)
        .set(PERSON.CREATED_AT, clock.instant())
        .returning(PERSON.ID)
        .fetchSingle(PERSON.ID);
  }

  private void live(EnrolmentId enrolment, Random random, Instant start) {
    List<String> way = DemoSchool.WAY.subList(0, 3 + random.nextInt(16));
    int perWeek = Math.ceilDiv(way.size(), WEEKS);
    for (int week = 0; week * perWeek < way.size(); week++) {
      clock.putTo(start.plus(Duration.ofHours(week * 168L + random.nextInt(160))));
      List<Fact.What> facts = new ArrayList<>();
      for (String key : way.subList(week * perWeek, Math.min(way.size(), (week + 1) * perWeek)))
        facts.addAll(at(key, random));
      walks.act(enrolment, Optional.empty(), _ -> facts);
    }
  }

  private List<Fact.What> at(String key, Random random) {
    var step = course.id(key);
    List<Fact.What> facts = new ArrayList<>();
    facts.add(new SeenFact.Saw(step));
    facts.add(new TimeFact.SpentTime(step, 60 + random.nextInt(600)));
    switch (course.script(step).kind()) {
      case PAGE -> {}
      case VIDEO -> facts.add(new FilmFact.Watched(step, 0, 40, 40));
      case QUIZ -> {
        facts.add(new AttemptFact.StartedAttempt(step, 1));
        facts.add(new AttemptFact.FinishedAttempt(step, 1, 6 + random.nextInt(5), 10));
      }
      case ASSIGNMENT -> {
        facts.add(new WorkFact.HandedIn(step, 1));
        facts.add(new WorkFact.Marked(step, 1, 10 + random.nextInt(11), 20, Judgement.PASSED, ""));
      }
      case PRACTICAL -> facts.add(new SignOffFact.SignedOff(step, ""));
    }
    for (var outcome : course.evidence(key))
      facts.add(new Fact.Rated(outcome, random.nextInt(4), Optional.of(step), 0));
    return facts;
  }
}
