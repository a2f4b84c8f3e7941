package yendrik.server.people;

import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.LETTER;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.STAFF;
import static yendrik.server.people.People.lower;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Records;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.server.http.ByFields;
import yendrik.server.http.EmailAddress;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.people.Accounts.What;

/**
 * The people of the institution, as administrators see, add and change them, and as they are found
 * to be enrolled.
 */
@Repository
@Transactional
public class Directory {
  private static final int SHOWN = 300;
  private final DSLContext db;
  private final People people;
  private final Passwords passwords;
  private final Accounts accounts;
  private final LinkLetters letters;
  private final FieldChanges changes;

  Directory(
      DSLContext db,
      People people,
      Passwords passwords,
      Accounts accounts,
      LinkLetters letters,
      FieldChanges changes) {
    this.db = db;
    this.people = people;
    this.passwords = passwords;
    this.accounts = accounts;
    this.letters = letters;
    this.changes = changes;
  }

  /**
   * A person in the list.
   *
   * @param hasPassword whether they ever set one; nobody enters without
   * @param courses how many they learn in or are staff of
   * @param added when their account was made
   * @param lastSignedIn within the last year
   * @param link when the last letter with a link was written to them
   */
  @Schema(name = "PersonLine")
  record Line(
      PersonId id,
      String name,
      String email,
      boolean administrator,
      boolean makesCourses,
      boolean hasPassword,
      int courses,
      Instant added,
      Optional<Instant> lastSignedIn,
      Optional<Instant> link) {}

  /**
   * Those who were found, by name.
   *
   * @param found how many there are, of whom the first few hundred are listed
   * @param all how many people the institution has
   */
  @Schema(name = "PeopleFound")
  record Found(int all, int found, List<Line> people) {}

  /** Those in whose name or address each of these words is. */
  @Transactional(readOnly = true)
  Found find(String text) {
    Condition wanted = wanted(text);
    return new Found(db.fetchCount(PERSON), db.fetchCount(PERSON, wanted), lines(wanted));
  }

  private static Condition wanted(String text) {
    return DSL.and(
        Arrays.stream(text.strip().split("\\s+"))
            .filter(word -> !word.isEmpty())
            .map(word ->
                PERSON.NAME.containsIgnoreCase(word).or(PERSON.EMAIL.containsIgnoreCase(word)))
            .toList());
  }

  private static Condition begins(String text) {
    return PERSON.NAME.startsWithIgnoreCase(text).or(PERSON.NAME.containsIgnoreCase(" " + text));
  }

  /** Somebody who can be enrolled. */
  public record Candidate(PersonId person, String name, String email) {}

  /**
   * Those who are found and are not learners of a course, first of whom a name begins with what was
   * typed, each by name.
   */
  @Transactional(readOnly = true)
  public List<Candidate> candidates(CourseId course, String text, int most) {
    return db.select(PERSON.ID, PERSON.NAME, PERSON.EMAIL)
        .from(PERSON)
        .where(
            wanted(text),
            DSL.notExists(
                DSL.selectOne()
                    .from(ENROLMENT)
                    .where(
                        ENROLMENT.PERSON_ID.eq(PERSON.ID),
                        ENROLMENT.COURSE_ID.eq(course),
                        ENROLMENT.PRACTICE.isFalse())))
        .orderBy(DSL.when(begins(text.strip()), 0).otherwise(1), PERSON.NAME, PERSON.ID)
        .limit(most)
        .fetch(Records.mapping(Candidate::new));
  }

  private static final Field<Integer> COURSES =
      DSL.field(DSL.selectCount().from(STAFF).where(STAFF.PERSON_ID.eq(PERSON.ID)))
          .plus(
              DSL.field(
                  DSL.selectCount()
                      .from(ENROLMENT)
                      .where(ENROLMENT.PERSON_ID.eq(PERSON.ID), ENROLMENT.PRACTICE.isFalse())));

  private static final Field<Instant> LAST_SIGNED_IN =
      DSL.field(
          DSL.select(DSL.max(ACCOUNT_EVENT.AT))
              .from(ACCOUNT_EVENT)
              .where(
                  ACCOUNT_EVENT.WHAT.eq(DSL.inline(What.SIGNED_IN.name())),
                  ACCOUNT_EVENT.PERSON_ID.eq(PERSON.ID)));

  private static final Field<Instant> LINK =
      DSL.field(
          DSL.select(DSL.max(LETTER.CREATED_AT))
              .from(LETTER)
              .where(LETTER.RECIPIENT_ID.eq(PERSON.ID), LETTER.COURSE_ID.isNull()));

  private List<Line> lines(Condition wanted) {
    return db.select(
            PERSON.ID,
            PERSON.NAME,
            PERSON.EMAIL,
            PERSON.ADMINISTRATOR,
            PERSON.MAKES_COURSES,
            PERSON.HAS_PASSWORD,
            PERSON.CREATED_AT,
            COURSES,
            LAST_SIGNED_IN,
            LINK)
        .from(PERSON)
        .where(wanted)
        .orderBy(PERSON.NAME, PERSON.ID)
        .limit(SHOWN)
        .fetch(Directory::line);
  }

  private static Line line(Record row) {
    return new Line(
        row.get(PERSON.ID),
        row.get(PERSON.NAME),
        row.get(PERSON.EMAIL),
        row.get(PERSON.ADMINISTRATOR),
        row.get(PERSON.MAKES_COURSES),
        row.get(PERSON.HAS_PASSWORD),
        row.get(COURSES),
        row.get(PERSON.CREATED_AT),
        Optional.ofNullable(row.get(LAST_SIGNED_IN)),
        Optional.ofNullable(row.get(LINK)));
  }

  /**
   * A person with their places and what happened to their account lately.
   *
   * @param courses that they have a place in
   */
  @Schema(name = "PersonView")
  record View(Line person, List<People.MyCourse> courses, List<Accounts.Event> events) {}

  @Transactional(readOnly = true)
  View view(PersonId id) {
    SignedIn person = known(id);
    return new View(
        lines(PERSON.ID.eq(id)).getFirst(), people.coursesOf(person), accounts.newestOf(id));
  }

  private SignedIn known(PersonId id) {
    return people.person(id).orElseThrow(() -> Problem.notFound("person"));
  }

  /** Somebody who is to be added. */
  @Schema(name = "NewPerson")
  record New(
      @NotBlank @Size(max = 200) @PlainText String name, @NotNull @EmailAddress String email) {}

  /**
   * @param there addresses of those who were here already, as they were written
   */
  @Schema(name = "PeopleAdded")
  record Added(int added, List<String> there) {}

  /** Adds people, who get a letter with a link; those who are here already are left alone. */
  Added add(List<New> all, SignedIn by, Whence whence) {
    Map<String, New> byAddress = new LinkedHashMap<>();
    for (New one : all) byAddress.putIfAbsent(lower(one.email()), one);
    List<SignedIn> added = people.addWithoutPassword(List.copyOf(byAddress.values()));
    letters.invite(added, by);
    for (SignedIn person : added) accounts.note(What.ADDED, person, by, whence, "");
    Set<String> fresh = Set.copyOf(added.stream().map(SignedIn::email).toList());
    List<String> there =
        byAddress.entrySet().stream()
            .filter(one -> !fresh.contains(one.getKey()))
            .map(one -> one.getValue().email().strip())
            .toList();
    return new Added(added.size(), there);
  }

  /** Writes a new link to people. */
  void invite(List<PersonId> ids, SignedIn by, Whence whence) {
    List<SignedIn> to = ids.stream().distinct().map(this::known).toList();
    letters.invite(to, by);
    for (SignedIn person : to) accounts.note(What.LINK_SENT, person, by, whence, "");
  }

  /** What an administrator changes about a person. */
  @Schema(name = "PersonEdit")
  record Edit(
      @NotBlank @Size(max = 200) @PlainText String name,
      @NotNull @EmailAddress String email,
      boolean administrator,
      boolean makesCourses)
      implements ByFields {}

  /** Changes a person. Their sessions end with another address or other rights. */
  void change(PersonId id, FieldsEdit fields, SignedIn by, Whence whence) {
    // All in one order, so that two administrators who remove each other wait for one another.
    List<PersonId> administrators =
        db.select(PERSON.ID)
            .from(PERSON)
            .where(PERSON.ADMINISTRATOR.isTrue(), PERSON.HAS_PASSWORD.isTrue())
            .orderBy(PERSON.ID)
            .forUpdate()
            .fetch(PERSON.ID);
    SignedIn was = known(id);
    boolean made = db.fetchExists(PERSON, PERSON.ID.eq(id), PERSON.MAKES_COURSES.isTrue());
    Edit edit = changes.apply(edit(was, made), fields, () -> view(id));
    String name = edit.name().strip();
    String email = lower(edit.email());
    if (!name.equals(was.name())) {
      set(id, PERSON.NAME, name);
      accounts.note(What.NAME_CHANGED, was, by, whence, name);
    }
    if (!email.equals(was.email())) {
      if (people.withEmail(email).isPresent()) throw Problem.field("email", "email-taken");
      set(id, PERSON.EMAIL, email);
      accounts.note(What.EMAIL_CHANGED, was, by, whence, email);
      passwords.endAll(was);
    }
    if (edit.makesCourses() != made) {
      set(id, PERSON.MAKES_COURSES, edit.makesCourses());
      What what = edit.makesCourses() ? What.MAY_MAKE_COURSES : What.MAKES_NO_COURSES;
      accounts.note(what, was, by, whence, "");
    }
    if (edit.administrator() != was.administrator()) {
      if (administrators.equals(List.of(id))) throw Problem.conflict("last-administrator");
      set(id, PERSON.ADMINISTRATOR, edit.administrator());
      What what = edit.administrator() ? What.MADE_ADMINISTRATOR : What.NO_ADMINISTRATOR;
      accounts.note(what, was, by, whence, "");
      passwords.endAll(was);
    }
  }

  private static Edit edit(SignedIn person, boolean makesCourses) {
    return new Edit(person.name(), person.email(), person.administrator(), makesCourses);
  }

  private <T> void set(PersonId id, Field<T> field, T value) {
    db.update(PERSON).set(field, value).where(PERSON.ID.eq(id)).execute();
  }
}
