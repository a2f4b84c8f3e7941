package yendrik.server.people;

import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.FAILED_SIGN_IN;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.STAFF;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record4;
import org.jooq.impl.DSL;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.people.StaffKind;

/** People, what they may do, and their passwords. */
@Repository
@Transactional
public class People {
  private static final int TRIES = 8;
  private static final int MANY = 80;

  /** For so long failed tries count. */
  static final Duration PAUSE = Duration.ofMinutes(10);

  private final DSLContext db;
  private final PasswordEncoder passwords;
  private final Clock clock;

  /** Of a password that nobody has, not even this class. */
  private final String nobodysHash;

  People(DSLContext db, PasswordEncoder passwords, Clock clock) {
    this.db = db;
    this.passwords = passwords;
    this.clock = clock;
    this.nobodysHash = passwords.encode(UUID.randomUUID().toString());
  }

  public PersonId add(String name, String email, String password, boolean administrator) {
    return db.insertInto(PERSON)
        .set(PERSON.NAME, name)
        .set(PERSON.EMAIL, lower(email))
        .set(PERSON.PASSWORD_HASH, passwords.encode(password))
        .set(PERSON.ADMINISTRATOR, administrator)
        .set(PERSON.CREATED_AT, clock.instant())
        .returning(PERSON.ID)
        .fetchSingle(PERSON.ID);
  }

  /**
   * Adds people whom nobody can sign in as until they have set a password.
   *
   * @return those who were not here already
   */
  List<SignedIn> addWithoutPassword(List<Directory.New> all) {
    var now = clock.instant();
    return db.insertInto(PERSON)
        .columns(
            PERSON.NAME, PERSON.EMAIL, PERSON.PASSWORD_HASH, PERSON.HAS_PASSWORD, PERSON.CREATED_AT)
        .valuesOfRows(
            all.stream()
                .map(
                    one -> DSL.row(one.name().strip(), lower(one.email()), nobodysHash, false, now))
                .toList())
        .onConflict(PERSON.EMAIL)
        .doNothing()
        .returningResult(PERSON.ID, PERSON.NAME, PERSON.EMAIL, PERSON.ADMINISTRATOR)
        .fetch(People::signedIn);
  }

  /**
   * Makes whoever has this address an administrator, with an account that nobody can enter yet if
   * there is none.
   */
  PersonId administrator(String email) {
    String name = lower(email).split("@")[0];
    addWithoutPassword(List.of(new Directory.New(name, email)));
    PersonId known = withEmail(email).orElseThrow();
    db.update(PERSON).set(PERSON.ADMINISTRATOR, true).where(PERSON.ID.eq(known)).execute();
    return known;
  }

  /** Whether somebody may make courses. */
  public boolean makesCourses(SignedIn person) {
    return person.administrator()
        || db.fetchExists(PERSON, PERSON.ID.eq(person.id()), PERSON.MAKES_COURSES.isTrue());
  }

  /** Whether there is an administrator. */
  @Transactional(readOnly = true)
  boolean hasAdministrator() {
    return db.fetchExists(PERSON, PERSON.ADMINISTRATOR.isTrue());
  }

  public void addStaff(CourseId course, PersonId person, StaffKind role, Optional<GroupId> group) {
    db.insertInto(STAFF)
        .set(STAFF.COURSE_ID, course)
        .set(STAFF.PERSON_ID, person)
        .set(STAFF.ROLE, role.name().toLowerCase(Locale.ROOT))
        .set(STAFF.GROUP_ID, group.orElse(null))
        .execute();
  }

  /**
   * Who answers a learner's questions: support teachers of their groups and facilitators; where
   * there are none, whoever designs the course.
   */
  @Transactional(readOnly = true)
  public List<PersonId> whoHelps(CourseId course, Collection<GroupId> groups) {
    Map<String, List<PersonId>> byRole =
        db.select(STAFF.ROLE, STAFF.PERSON_ID)
            .from(STAFF)
            .where(
                STAFF.COURSE_ID.eq(course), STAFF.GROUP_ID.isNull().or(STAFF.GROUP_ID.in(groups)))
            .orderBy(STAFF.PERSON_ID)
            .fetchGroups(STAFF.ROLE, STAFF.PERSON_ID);
    List<PersonId> helping =
        Stream.of("support", "facilitator")
            .flatMap(role -> byRole.getOrDefault(role, List.of()).stream())
            .distinct()
            .toList();
    return helping.isEmpty() ? byRole.getOrDefault("designer", List.of()) : helping;
  }

  /** The names of people by id; unknown ids are left out. */
  @Transactional(readOnly = true)
  public Map<PersonId, String> names(Collection<PersonId> ids) {
    return db.select(PERSON.ID, PERSON.NAME)
        .from(PERSON)
        .where(PERSON.ID.in(ids))
        .fetchMap(PERSON.ID, PERSON.NAME);
  }

  @Transactional(readOnly = true)
  public Optional<SignedIn> person(PersonId id) {
    return db.select(PERSON.ID, PERSON.NAME, PERSON.EMAIL, PERSON.ADMINISTRATOR)
        .from(PERSON)
        .where(PERSON.ID.eq(id))
        .fetchOptional(People::signedIn);
  }

  /** The person with an e-mail address, however it is written. */
  @Transactional(readOnly = true)
  public Optional<PersonId> withEmail(String email) {
    return db.select(PERSON.ID)
        .from(PERSON)
        .where(PERSON.EMAIL.eq(lower(email)))
        .fetchOptional(PERSON.ID);
  }

  private static SignedIn signedIn(Record4<PersonId, String, String, Boolean> row) {
    return new SignedIn(row.value1(), row.value2(), row.value3(), row.value4());
  }

  /**
   * Whether too many tries failed lately for this name from this address. Where many others fail,
   * with this name or from this address, only one try is left to an address that the name's owner
   * never came from: that slows guessing by many at once, and still lets in whoever knows the
   * password.
   */
  @Transactional(readOnly = true)
  public boolean mustWait(String email, String address) {
    var lately = FAILED_SIGN_IN.AT.gt(clock.instant().minus(PAUSE));
    var name = FAILED_SIGN_IN.EMAIL.eq(lower(email));
    var from = FAILED_SIGN_IN.ADDRESS.eq(address);
    int failed = db.fetchCount(FAILED_SIGN_IN, lately, name, from);
    if (failed == 0 || failed >= TRIES) return failed > 0;
    boolean many =
        db.fetchCount(FAILED_SIGN_IN, lately, name) >= MANY
            || db.fetchCount(FAILED_SIGN_IN, lately, from) >= MANY;
    return many && !cameFrom(email, address);
  }

  private boolean cameFrom(String email, String address) {
    return db.fetchExists(
        ACCOUNT_EVENT,
        ACCOUNT_EVENT.WHAT.eq(Accounts.What.SIGNED_IN.name()),
        ACCOUNT_EVENT.EMAIL.eq(lower(email)),
        ACCOUNT_EVENT.ADDRESS.eq(address));
  }

  /** The person with this address and password; a failure is remembered. */
  public Optional<SignedIn> signIn(String email, String password, String address) {
    var row = db.selectFrom(PERSON).where(PERSON.EMAIL.eq(lower(email))).fetchOptional();
    // A hash is compared even for an unknown name, so that the time taken tells nothing.
    String hash = row.map(r -> r.getPasswordHash()).orElse(nobodysHash);
    if (passwords.matches(password, hash) && row.filter(r -> r.getHasPassword()).isPresent()) {
      db.deleteFrom(FAILED_SIGN_IN)
          .where(FAILED_SIGN_IN.EMAIL.eq(lower(email)), FAILED_SIGN_IN.ADDRESS.eq(address))
          .execute();
      return row.map(r -> new SignedIn(r.getId(), r.getName(), r.getEmail(), r.getAdministrator()));
    }
    db.insertInto(FAILED_SIGN_IN)
        .set(FAILED_SIGN_IN.EMAIL, lower(email))
        .set(FAILED_SIGN_IN.ADDRESS, address)
        .set(FAILED_SIGN_IN.AT, clock.instant())
        .execute();
    return Optional.empty();
  }

  static String lower(String email) {
    return email.strip().toLowerCase(Locale.ROOT);
  }

  /** A person's place in a course. */
  @Transactional(readOnly = true)
  public Seat seat(CourseId course, SignedIn person) {
    return seats(person, COURSE.ID.eq(course)).stream()
        .findFirst()
        .orElseGet(() -> new Seat.Nobody(course, person));
  }

  /** A person's places in all courses. */
  private List<Seat> seats(SignedIn person, Condition which) {
    return db
        .select(Seats.FIELDS)
        .from(COURSE)
        .join(PERSON)
        .on(PERSON.ID.eq(person.id()))
        .leftJoin(STAFF)
        .on(Seats.isStaff())
        .leftJoin(ENROLMENT)
        .on(Seats.isEnrolled())
        .where(which, COURSE.SHELF.isFalse())
        .fetch()
        .stream()
        .map(row -> Seats.of(row, row.get(COURSE.ID), person))
        .toList();
  }

  /**
   * A course in a person's list, with the week that it is in.
   *
   * @param framework whether it is a framework of the institution, which has no learners
   */
  public record MyCourse(
      CourseId id,
      String name,
      String cohort,
      int week,
      int weeks,
      Optional<StaffKind> role,
      boolean learner,
      boolean framework,
      boolean practice) {}

  /** The courses that a person has a place in, and the frameworks that they may change. */
  @Transactional(readOnly = true)
  public List<MyCourse> coursesOf(SignedIn person) {
    Map<CourseId, Seat> seats =
        seats(person, DSL.noCondition()).stream()
            .filter(seat -> !(seat instanceof Seat.Nobody))
            .collect(Collectors.toMap(Seat::course, seat -> seat));
    return db
        .select(
            COURSE.ID,
            COURSE.NAME,
            COURSE.COHORT,
            COURSE.STARTS_AT,
            COURSE.WEEKS,
            COURSE.FRAMEWORK,
            COURSE.PRACTICE)
        .from(COURSE)
        .orderBy(COURSE.FRAMEWORK, COURSE.ID)
        .fetch()
        .stream()
        .flatMap(c ->
            Optional.ofNullable(seats.get(c.value1())).stream()
                .map(s ->
                    new MyCourse(
                        c.value1(),
                        c.value2(),
                        c.value3(),
                        week(c.value4(), c.value5()),
                        c.value5(),
                        s.role(),
                        s.enrolment().isPresent(),
                        c.value6(),
                        c.value7())))
        .toList();
  }

  private int week(Instant start, int weeks) {
    long gone = Duration.between(start, clock.instant()).toDays() / 7;
    return (int) Math.clamp(gone + 1, 1, weeks);
  }
}
