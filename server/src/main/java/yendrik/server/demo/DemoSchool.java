package yendrik.server.demo;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.PERSON;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import yendrik.core.check.Finding;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.Counts;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.Scale;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.rehearse.Line;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkLeaf;
import yendrik.core.words.Moment;
import yendrik.core.words.OwnWords;
import yendrik.server.check.Checking;
import yendrik.server.design.Adoption;
import yendrik.server.design.Courses;
import yendrik.server.design.Drafts;
import yendrik.server.design.OutcomeForms;
import yendrik.server.design.Rubrics;
import yendrik.server.design.RuleView;
import yendrik.server.files.Files;
import yendrik.server.institution.Institution;
import yendrik.server.institution.Institutions;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.people.SignedIn;
import yendrik.server.reach.Letters;
import yendrik.server.reach.Messages;
import yendrik.server.rehearse.Rehearsals;
import yendrik.server.rehearse.crowd.Crowds;
import yendrik.server.teach.Registers;
import yendrik.server.way.Enrolling;
import yendrik.server.way.Publishing;
import yendrik.server.way.Walks;
import yendrik.server.wording.Wordings;

/**
 * Fills an empty database with Hollow Lane Workshop School, in week 6 of 10 as seen from today, by
 * living through the weeks before with the same services as real use.
 */
@Component
@Order(0)
@ConditionalOnProperty("yendrik.demo")
public class DemoSchool implements ApplicationRunner {
  static final ZoneId ZONE = ZoneId.of("Europe/Berlin");
  private static final String SCHOOL = "Hollow Lane Workshop School";
  static final String PASSWORD = "hollow-lane";
  private static final Logger LOG = LoggerFactory.getLogger(DemoSchool.class);
  private static final long SEED = 7_001;

  private static final List<String> LEARNERS =
      List.of(
          "Juno Abara",
          "Bashir Colm",
          "Wren Castellane",
          "Ruben Sato",
          "Edda Marsh",
          "Aiko Brenner",
          "Celeste Adeyo",
          "Dov Halloran",
          "Femi Strand",
          "Greta Olumide",
          "Hakon Bellweather",
          "Ilse Tran",
          "Kofi Lindgren",
          "Lena Okoro",
          "Mirko Vale",
          "Nadia Fenn",
          "Oskar Ruiz",
          "Petra Quill",
          "Quentin Abasi",
          "Rosa Lindqvist",
          "Samir Holt",
          "Tilda Moreau",
          "Ugo Ferrant",
          "Vera Zielin",
          "Walt Imani",
          "Xenia Brook",
          "Yusuf Carden",
          "Zelda Nowak",
          "Anouk Pell",
          "Bram Oduya",
          "Chiara West",
          "Dario Finch",
          "Elif Marlow",
          "Fabian Oakes",
          "Gwen Takeda",
          "Hugo Sarin");

  /** Foundations in the order in which learners go through it. */
  static final List<String> WAY =
      List.of(
          "bench",
          "tools",
          "tools-quiz",
          "bench-practical",
          "check-sheet",
          "play",
          "fault-quiz",
          "fault-report",
          "rim-anatomy",
          "toe-in",
          "pads-quiz",
          "brake-practical",
          "job-card",
          "limits",
          "chain",
          "one-click",
          "gear-quiz",
          "index-practical",
          "spokes",
          "true-practical",
          "wheel-note",
          "bearings",
          "hub-practical");

  /** What those who are keen do besides, by the step after which they do it. */
  private static final Map<String, String> EXTRAS =
      Map.of(
          "check-sheet", "parts-check",
          "toe-in", "squeal-check",
          "chain", "chain-sums",
          "spokes", "wheel-check",
          "bearings", "bearing-quiz");

  /** From which ability on learners do more than is asked of them. */
  private static final double KEEN = 0.65;

  private final DSLContext db;
  private final DemoClock clock;
  private final People people;
  private final Courses courses;
  private final Drafts drafts;
  private final Publishing publishing;
  private final Walks walks;
  private final Enrolling enrolling;
  private final Acts acts;
  private final Letters letters;
  private final Messages messages;
  private final Registers registers;
  private final Adoption adoption;
  private final Rubrics rubrics;
  private final Files files;
  private final Institutions institutions;
  private final Wordings wordings;
  private final Checking checking;
  private final Rehearsals rehearsals;
  private final Crowds crowds;
  private final int crowd;
  private final int members;
  private final Map<String, PersonId> ids = new HashMap<>();

  DemoSchool(
      DSLContext db,
      DemoClock clock,
      People people,
      Courses courses,
      Drafts drafts,
      Publishing publishing,
      Walks walks,
      Acts acts,
      Letters letters,
      Messages messages,
      Registers registers,
      Adoption adoption,
      Rubrics rubrics,
      Files files,
      Institutions institutions,
      Wordings wordings,
      Checking checking,
      Rehearsals rehearsals,
      Crowds crowds,
      Enrolling enrolling,
      @Value("${yendrik.demo.crowd:0}") int crowd,
      @Value("${yendrik.demo.members:8}") int members) {
    this.db = db;
    this.enrolling = enrolling;
    this.crowd = crowd;
    this.members = members;
    this.clock = clock;
    this.people = people;
    this.courses = courses;
    this.drafts = drafts;
    this.publishing = publishing;
    this.walks = walks;
    this.acts = acts;
    this.letters = letters;
    this.messages = messages;
    this.registers = registers;
    this.adoption = adoption;
    this.rubrics = rubrics;
    this.files = files;
    this.institutions = institutions;
    this.wordings = wordings;
    this.checking = checking;
    this.rehearsals = rehearsals;
    this.crowds = crowds;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    if (db.fetchExists(PERSON)) return;
    Instant today = clock.instant();
    LOG.info("filling the demo school");
    try {
      fill(today);
    } finally {
      clock.run();
    }
    LOG.info("the demo school is ready");
  }

  static Map<String, Object> rule(RuleView.RuleNode node) {
    Map<String, Object> rule = new HashMap<>();
    rule.put("is", node.is());
    rule.put("id", node.id());
    rule.put("leaf", node.leaf());
    return rule;
  }

  /** Lives through the weeks before a day; the clock stands at some moment of them afterwards. */
  public void fill(Instant today) {
    institutions.write(
        new Institution(
            SCHOOL,
            SCHOOL,
            "https://hollowlane.example",
            "badges@hollowlane.example",
            Map.of(),
            Map.of(),
            Optional.empty()));
    Instant start =
        today
            .atZone(ZONE)
            .with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY))
            .minusWeeks(5)
            .with(LocalTime.of(8, 0))
            .toInstant();
    clock.putTo(start.minus(Duration.ofDays(28)));
    PersonId odalys = person("Odalys Brandt", false);
    PersonId tomas = person("Tomas Weir", false);
    PersonId priya = person("Priya Nakamura", false);
    PersonId sefa = person("Sefa Dunmore", true);
    for (String name : LEARNERS) person(name, false);

    Author core = framework(sefa);
    Author induction = induction(core, start, odalys);
    Author foundations = foundations(core, start, induction.course, odalys);
    Author wheels = wheelbuilding(core, start, foundations.course, odalys);
    Author sandbox = author(odalys, "Facilitator sandbox", "Try anything here.", "", start, 52);
    sandbox.adoptScale(core);
    GroupId saturday = foundations.group("Saturday");
    GroupId tuesday = foundations.group("Tuesday");
    GroupId support = foundations.group("Priya’s seven");
    foundations.allow("gear-quiz", support, 15);
    for (Author author : List.of(induction, foundations, wheels, sandbox)) {
      people.addStaff(author.course, odalys, StaffKind.DESIGNER, Optional.empty());
      people.addStaff(author.course, tomas, StaffKind.FACILITATOR, Optional.empty());
    }
    wordings.write(
        foundations.course,
        new OwnWords(
            Map.of(
                Moment.HANDED_IN,
                "Thank you, {learner}. “{step}” is on the bench.",
                Moment.WAITING,
                "On the bench. You hear by your next evening.",
                Moment.AGAIN,
                "Not there yet, and that is how brakes are learned. See what came back, then go again.",
                Moment.COMPLETED,
                "{learner}, you have completed {course}. The bench is yours.")));
    people.addStaff(foundations.course, priya, StaffKind.SUPPORT, Optional.of(support));
    clock.putTo(start.minus(Duration.ofDays(14)));
    for (Author author : List.of(induction, foundations, wheels))
      publishing.publish(author.course, odalys);
    clock.putTo(start.minus(Duration.ofDays(11)));
    helpEarlier(foundations);
    publishing.publish(foundations.course, odalys);

    Random random = new Random(SEED);
    Seat atInduction = seat(induction.course, tomas);
    Seat teaching = seat(foundations.course, tomas);
    List<Registers.SessionView> sessions = sessions(teaching, start, saturday, tuesday);
    for (String name : LEARNERS) {
      clock.putTo(start.minus(Duration.ofDays(9)));
      PersonId learner = requireNonNull(ids.get(name));
      boolean late = name.equals("Gwen Takeda");
      if (late) clock.putTo(today.minus(Duration.ofDays(4)));
      EnrolmentId there = walks.enrol(induction.course, learner, Optional.of(tomas));
      if (!late) throughInduction(induction, atInduction, there, learner, start, random);
      if (!late) clock.putTo(start.minus(Duration.ofDays(3)));
      EnrolmentId enrolment = walks.enrol(foundations.course, learner, Optional.of(tomas));
      List<Fact.What> groups = new ArrayList<>();
      GroupId own = LEARNERS.indexOf(name) % 3 == 0 ? tuesday : saturday;
      groups.add(new Fact.JoinedGroup(own));
      if (LEARNERS.indexOf(name) % 5 == 0 && LEARNERS.indexOf(name) < 35)
        groups.add(new Fact.JoinedGroup(support));
      walks.act(enrolment, Optional.of(tomas), _ -> groups);
      var learning =
          new Learning(
              acts,
              clock,
              foundations,
              teaching,
              enrolment,
              learner,
              start,
              today,
              new Random(SEED + learner.value()));
      Instant enrolled = clock.instant();
      var chance = new Random(SEED * 31 + learner.value());
      for (Registers.SessionView session : sessions)
        if (session.group().equals(Optional.of(own)) && session.startsAt().isAfter(enrolled))
          inRegister(teaching, session, name, learning, enrolment, today, chance.nextInt(100));
      through(foundations, name, learning, start, today, new Random(SEED * learner.value()));
      learning.until(today);
    }
    handMadeStories(foundations, teaching, today);
    clock.putTo(today);
    putRight(foundations, seat(foundations.course, odalys));
    Conversations.read()
        .play(
            clock, today, foundations, (by, step, to, text) -> wrote(teaching, by, step, to, text));
    clock.putTo(today.minus(Duration.ofDays(2)));
    core.reword("TORQ", "Knows the number, the tool and the order in which bolts are turned.");
    wheelbuilders(wheels, foundations, tomas, today);
    rehearsed(foundations, induction.course, odalys);
    crowds.walkAsUsual(seat(foundations.course, odalys));
    new Members(db, clock, walks, acts.pastAttempts(), induction)
        .enrol(members, LEARNERS, passwordHash(tomas), tomas, today.minus(Duration.ofDays(24)));
    if (crowd > 0)
      new Crowd(db, clock, walks, foundations, induction.course, LEARNERS)
          .enrol(crowd, passwordHash(tomas), saturday, tomas, start);
  }

  /** Help comes after the first failed try, not after the third. */
  private static void helpEarlier(Author a) {
    a.opens("second-look", a.ask(new MarkLeaf.NotPassed(a.id("pads-quiz"))));
  }

  /**
   * What Odalys rehearses with the course, what she means so, and a change that waits to be
   * published and breaks a rehearsal.
   */
  private void rehearsed(Author a, CourseId induction, PersonId designer) {
    StepId quiz = a.id("pads-quiz");
    RuleAt help = new RuleAt.StepOpens(a.id("second-look"));
    List<Line> toBrakes =
        List.of(
            new Line.AsIf(new Leaf.CourseComplete(induction)),
            new Line.AsIf(new Leaf.ModuleDone(a.modules.get(0))),
            new Line.AsIf(new Leaf.ModuleDone(a.modules.get(1))),
            new Line.AsIf(new Leaf.StepDone(a.id("rim-anatomy"))));
    List<Line> failed = new ArrayList<>(toBrakes);
    failed.add(new Line.Expect(help, /* so= */ false));
    failed.add(new Line.AsIf(new MarkLeaf.NotPassed(quiz)));
    failed.add(new Line.Expect(help, /* so= */ true));
    failed.add(new Line.Expect(new RuleAt.StepOpens(a.id("job-card")), /* so= */ false));
    rehearsals.keep(a.course, "After a failed try", failed);
    List<Line> through = new ArrayList<>(toBrakes);
    through.add(new Line.AsIf(new Leaf.AtMastery(a.outcomeId("SAFE"))));
    through.add(new Line.AsIf(new Leaf.ModuleDone(a.modules.get(2))));
    through.add(new Line.Expect(new RuleAt.ModuleOpens(a.modules.get(3)), /* so= */ true));
    through.add(new Line.Expect(help, /* so= */ false));
    rehearsals.keep(a.course, "Straight through brakes", through);
    checking.mean(
        a.course,
        designer,
        Finding.Code.DEAD_END,
        "After the third try Tomas talks with the learner at the bench and gives one more.");
    a.opens(
        "second-look",
        a.all(a.ask(new MarkLeaf.NotPassed(quiz)), a.ask(new AttemptLeaf.Attempted(quiz, 2))));
  }

  /** A question that took too little gives everybody its mark. */
  private void putRight(Author foundations, Seat designer) {
    StepId quiz = foundations.id("fault-quiz");
    acts.corrections()
        .add(
            designer,
            quiz,
            "q4",
            CorrectionRows.What.FULL_MARKS,
            "“Wobbles” is said at every bench, and was marked wrong.");
    acts.remarking().all();
  }

  /** Saturdays and Tuesdays through all ten weeks. */
  private List<Registers.SessionView> sessions(
      Seat teaching, Instant start, GroupId saturday, GroupId tuesday) {
    LocalDate first = LocalDate.ofInstant(start, ZONE);
    LocalDate last = first.plusWeeks(10);
    List<Registers.SessionView> all = new ArrayList<>();
    all.addAll(
        registers.add(
            teaching,
            new Registers.Series(
                "Saturday bench",
                Optional.of(saturday),
                Set.of(DayOfWeek.SATURDAY),
                LocalTime.of(10, 0),
                180,
                1,
                first,
                last)));
    all.addAll(
        registers.add(
            teaching,
            new Registers.Series(
                "Tuesday evening",
                Optional.of(tuesday),
                Set.of(DayOfWeek.TUESDAY),
                LocalTime.of(18, 30),
                150,
                1,
                first,
                last)));
    return all;
  }

  /** Tomas takes the register at the end of a session that is over. */
  private void inRegister(
      Seat teaching,
      Registers.SessionView session,
      String name,
      Learning learning,
      EnrolmentId enrolment,
      Instant today,
      int chance) {
    Instant end = session.startsAt().plus(Duration.ofMinutes(session.minutes()));
    if (!end.isBefore(today)) return;
    long daysAgo = Duration.between(session.startsAt(), today).toDays();
    String status =
        switch (name) {
          case "Ruben Sato" -> "Absent";
          case "Ilse Tran" -> "Present";
          case "Bashir Colm", "Wren Castellane" -> daysAgo < 9 ? "Absent" : "Present";
          case "Lena Okoro" -> daysAgo < 8 ? "Absent with notice" : "Present";
          case "Edda Marsh" -> daysAgo < 9 ? "Left early" : "Present";
          default -> {
            if (chance < 82) yield "Present";
            if (chance < 89) yield "Late";
            if (chance < 91) yield "Left early";
            yield chance < 95 ? "Absent with notice" : "Absent";
          }
        };
    StatusId id =
        AttendanceStatus.SHIPPED.stream()
            .filter(s -> s.name().equals(status))
            .findFirst()
            .orElseThrow()
            .id();
    learning.book(
        end, () -> registers.take(teaching, session.id(), Map.of(enrolment, Optional.of(id))));
  }

  private Author author(
      PersonId designer, String name, String summary, String cohort, Instant start, int weeks) {
    return author(
        designer,
        courses.add(new Courses.NewCourse(name, summary, cohort, ZONE, start, weeks, SCHOOL)));
  }

  private Author author(PersonId designer, CourseId course) {
    return new Author(db, drafts, acts, adoption, rubrics, files, designer, course);
  }

  /** What every course of the school shares; two of its outcomes wait to be adopted. */
  private Author framework(PersonId administrator) {
    Author framework = author(administrator, courses.addFramework("Hollow Lane core"));
    ScaleId workshop = workshopScale(framework);
    framework.group(List.of("At every bench"));
    framework.outcome(
        workshop,
        "SAFE",
        "Work safely in a shared workshop",
        "Keeps the floor, the bench and everybody at it safe.",
        new LevelMethod.MostRecent());
    framework.outcome(
        workshop,
        "TORQ",
        "Use torque values and fasteners correctly",
        "Knows the number and the tool.",
        new LevelMethod.RecencyWeighted(2));
    framework.outcome(
        workshop,
        "ORDER",
        "Leave a bench as it was found",
        "Every tool back on its outline, the floor swept.",
        new LevelMethod.MostRecent());
    framework.group(List.of("With others"));
    framework.outcome(
        workshop,
        "HELP",
        "Ask for help and give it",
        "Says what was tried; shows instead of doing.",
        new LevelMethod.Best());
    return framework;
  }

  private String passwordHash(PersonId person) {
    return db.select(PERSON.PASSWORD_HASH)
        .from(PERSON)
        .where(PERSON.ID.eq(person))
        .fetchSingle(PERSON.PASSWORD_HASH);
  }

  private PersonId person(String name, boolean administrator) {
    String email = name.toLowerCase(Locale.ROOT).split(" ")[0] + "@hollowlane.example";
    PersonId id = people.add(name, email, PASSWORD, administrator);
    ids.put(name, id);
    return id;
  }

  private Seat seat(CourseId course, PersonId person) {
    SignedIn who = people.person(person).orElseThrow();
    return people.seat(course, who);
  }

  private ScaleId workshopScale(Author author) {
    return author.scale(
        "workshop scale",
        2,
        new Scale.Level(0, "Watching", 1, "Watches others do it and can say what happens."),
        new Scale.Level(1, "With help", 2, "Does it when somebody stands by."),
        new Scale.Level(2, "On my own", 3, "Does it alone, safely and right."),
        new Scale.Level(3, "Can teach it", 4, "Shows others how and why."));
  }

  private Author induction(Author core, Instant start, PersonId designer) {
    Script script = Script.read("/demo/induction.yaml");
    var author =
        author(
            designer,
            script.name(),
            script.summary(),
            "Always open",
            start.minus(Duration.ofDays(10)),
            2);
    author.adopt(core, "SAFE");
    author.write(script, start);
    author.opens("induction-quiz", author.done("floor"));
    return author;
  }

  private Author foundations(Author core, Instant start, CourseId induction, PersonId designer) {
    Script script = Script.read("/demo/foundations.yaml");
    var a = author(designer, script.name(), script.summary(), "Autumn cohort", start, 10);
    ScaleId workshop = a.adoptScale(core);
    a.adopt(core, "SAFE");
    a.group(List.of("At every bench"));
    a.outcome(
        workshop,
        "DIAG",
        "Diagnose a bicycle methodically",
        "Reads a bicycle in a fixed order and names what is wrong.",
        new LevelMethod.Mean());
    a.group(List.of("Parts of a bicycle"));
    a.outcome(
        workshop,
        "BRAKE",
        "Set up rim and disc brakes",
        "Brakes that stop, release and are silent.",
        new LevelMethod.Best());
    a.outcome(
        workshop,
        "GEAR",
        "Index a derailleur drivetrain",
        "Limits, tension, indexing, in that order.",
        new LevelMethod.MostRecent());
    a.outcome(
        workshop,
        "WHEEL",
        "True a wheel within tolerance",
        "Half a millimetre sideways, one up and down.",
        new LevelMethod.Secure(2, 3));
    a.outcome(
        workshop,
        "BEAR",
        "Service bearings and headsets",
        "No play, no drag.",
        new LevelMethod.MostRecent());
    a.adopt(core, "TORQ");
    a.group(List.of("With the rider"));
    a.outcome(
        workshop,
        "RIDER",
        "Explain work and cost to a rider",
        "In words that a rider uses.",
        new LevelMethod.Best());
    Scale.Level[] grades = new Scale.Level[6];
    String[] words = {"not safe to ride", "poor", "passable", "sound", "good", "faultless"};
    for (int g = 0; g < 6; g++)
      grades[g] = new Scale.Level(g, Integer.toString(6 - g), 6 - g, words[g]);
    ScaleId inspection = a.scale("inspection grade", 4, grades);
    a.group(List.of("The whole bicycle"));
    a.outcome(
        inspection,
        "FULL",
        "Service a whole bicycle to inspection standard",
        "Graded by the inspector, 1 is best.",
        new LevelMethod.Best());
    a.composed(
        workshop,
        "BIKE",
        "Keep a bicycle safe to ride",
        "Brakes, gears, wheels and bearings, each at mastery.",
        OutcomeForms.How.ALL,
        "BRAKE",
        "GEAR",
        "WHEEL",
        "BEAR");
    a.write(script, start, 7, 14, 28, 42, 49, 56, 63, 70);
    a.questions("/demo/questions.txt");
    a.rubrics(Script.read("/demo/foundations.yaml", code -> Optional.of(a.outcomeId(code))));
    a.moduleOpens(0, a.ask(new Leaf.CourseComplete(induction)));
    a.opens("tools-quiz", a.all(a.done("bench"), a.done("tools")));
    a.opens("bench-practical", a.score("tools-quiz", 0.7));
    a.moduleOpens(1, a.ask(new Leaf.ModuleDone(a.modules.get(0))));
    a.opens("fault-quiz", a.all(a.done("check-sheet"), a.done("play")));
    a.opens("fault-report", a.score("fault-quiz", 0.7));
    a.moduleOpens(2, a.ask(new MarkLeaf.Passed(a.id("fault-quiz"))));
    a.opens("pads-quiz", a.done("rim-anatomy"));
    a.opens("brake-practical", a.all(a.score("pads-quiz", 0.6), a.mastery("SAFE")));
    a.opens("job-card", a.done("brake-practical"));
    a.opens("second-look", a.ask(new AttemptLeaf.Attempted(a.id("pads-quiz"), 3)));
    a.moduleOpens(3, a.ask(new Leaf.ModuleDone(a.modules.get(2))));
    a.opens("index-practical", a.score("gear-quiz", 0.6));
    for (int m = 4; m < 8; m++) a.moduleOpens(m, a.ask(new Leaf.ModuleDone(a.modules.get(m - 1))));
    a.opens("true-practical", a.done("spokes"));
    a.opens("wheel-note", a.done("true-practical"));
    DemoBadges.add(a);
    besides(a);
    towardsTheEnd(a, start);
    a.completeWhen(
        a.all(
            a.mastery("SAFE"),
            a.mastery("BRAKE"),
            a.mastery("GEAR"),
            a.mastery("WHEEL"),
            a.mastery("RIDER"),
            a.ask(new Leaf.Approved(StaffKind.FACILITATOR))));
    return a;
  }

  /** What opens beside the way, for those who have gone far enough. */
  private static void besides(Author a) {
    a.opens(
        "squeal-check",
        a.any(
            a.ask(new FilmLeaf.Watched(a.id("toe-in"), 0.5)),
            a.ask(new TimeLeaf.TimeSpent(a.id("toe-in"), 2))));
    a.opens("chain-sums", a.ask(new SeenLeaf.Seen(a.id("chain"))));
    a.opens("one-click", a.ask(new Leaf.EnrolledFor(7)));
    a.opens("bearing-quiz", a.ask(new WorkLeaf.HandedIn(a.id("wheel-note"))));
    a.opens("desk", a.ask(new WorkLeaf.Marked(a.id("fault-report"))));
    a.opens(
        "estimate",
        a.any(
            a.ask(new AttemptLeaf.Attempted(a.id("desk-quiz"), 1)),
            a.ask(new ConfirmLeaf.Confirmed(a.id("desk")))));
  }

  /**
   * The last module: a day's rest before it, and a whole bicycle only for those who work safely.
   */
  private static void towardsTheEnd(Author a, Instant start) {
    a.opens("service-plan", a.ask(new Leaf.DaysSinceDone(a.id("estimate"), 1)));
    a.opens(
        "service-quiz",
        a.atLeast(
            3,
            a.ask(new Leaf.QuizzesScored(Optional.empty(), 0.7)),
            a.ask(new Leaf.GradeAtLeast(0.6)),
            a.ask(new Leaf.ModuleShare(a.modules.get(4), 0.5)),
            a.ask(new Leaf.InARow(3, Rhythm.WEEKS)),
            a.ask(new Leaf.LevelAtLeast(a.outcomeId("TORQ"), 1))));
    a.opens(
        "final-service",
        a.all(
            a.after(1, a.done("service-plan")),
            a.none(a.ask(new Leaf.LevelBelow(a.outcomeId("SAFE"), 2))),
            a.ask(new Leaf.HoldsBadge(a.badge("Steady Bench"))),
            a.ask(
                new Leaf.InTime(Optional.of(start.plus(Duration.ofDays(56))), Optional.empty()))));
  }

  private void throughInduction(
      Author induction,
      Seat staff,
      EnrolmentId enrolment,
      PersonId learner,
      Instant start,
      Random random) {
    var learning =
        new Learning(
            acts,
            clock,
            induction,
            staff,
            enrolment,
            learner,
            start.minus(Duration.ofDays(8)),
            start,
            new Random(SEED - learner.value()));
    learning.on(start.minus(Duration.ofDays(5 + random.nextInt(3))));
    learning.read("floor");
    learning.attempt("induction-quiz", 3);
  }

  /** How far a learner is and when they were last there; everybody not named here is on course. */
  private void through(
      Author course, String name, Learning learning, Instant start, Instant today, Random random) {
    switch (name) {
      case "Ruben Sato", "Gwen Takeda" -> {}
      case "Juno Abara" -> juno(learning, start, today);
      case "Bashir Colm" -> steps(learning, 6, 0.5, start, today.minus(Duration.ofDays(12)));
      case "Wren Castellane" -> steps(learning, 7, 0.7, start, today.minus(Duration.ofDays(9)));
      case "Aiko Brenner" -> unwatched(learning, start, today);
      case "Edda Marsh" -> steps(learning, 11, 0.6, start, today.minus(Duration.ofDays(1)));
      case "Celeste Adeyo" -> {
        steps(learning, 12, 0.8, start, today.minus(Duration.ofDays(3)));
        learning
            .on(today.minus(Duration.ofDays(2)))
            .handIn("job-card", DemoTexts.work("job-card", random));
      }
      case "Dov Halloran" -> again(learning, start, today);
      case "Femi Strand" ->
          steps(
              learning.says("wheel-note", "wheel-log.webm"),
              21,
              0.9,
              start,
              today.minus(Duration.ofDays(1)));
      case "Ilse Tran" -> {
        steps(learning, 23, 1.0, start, today.minus(Duration.ofDays(2)));
        learning.on(today.minus(Duration.ofDays(1))).read("desk");
        learning.attempt("desk-quiz", 6);
        learning.judged(
            "desk-quiz",
            "q7",
            0,
            "Begin with whether it may be ridden at all, then what you propose. Try again.",
            0);
        learning.later(Duration.ofMinutes(30)).attempt("desk-quiz", 7);
      }
      case "Tilda Moreau" -> {
        steps(learning, 20, 0.7, start, today.minus(Duration.ofDays(2)));
        learning
            .on(today.minus(Duration.ofDays(1)))
            .begin("wheel-note", "<p>Rear wheel, 36 spokes. Out 1.5 mm to the left at</p>");
      }
      case "Rosa Lindqvist" -> sentBack(learning, start, today);
      case "Lena Okoro" -> excused(course, learning, start, today);
      default ->
          steps(
              learning,
              13 + random.nextInt(8),
              0.35 + 0.6 * random.nextDouble(),
              start,
              today.minus(Duration.ofDays(1 + random.nextInt(4))));
    }
  }

  private void steps(Learning learning, int n, double ability, Instant start, Instant last) {
    steps(learning, WAY.subList(0, n), ability, start, last);
  }

  private void steps(
      Learning learning, List<String> keys, double ability, Instant start, Instant last) {
    long span = Duration.between(start, last).toMillis();
    for (int i = 0; i < keys.size(); i++) {
      Instant day = start.plusMillis(span * (i + 1) / keys.size());
      learning.on(day.isAfter(last) ? last : day);
      learning.doStep(keys.get(i), ability);
      String extra = EXTRAS.get(keys.get(i));
      if (extra != null && ability > KEEN) learning.doStep(extra, ability);
    }
  }

  private void juno(Learning learning, Instant start, Instant today) {
    steps(learning, 10, 0.6, start, today.minus(Duration.ofDays(9)));
    learning.on(today.minus(Duration.ofDays(8))).attempt("pads-quiz", 1);
    learning.on(today.minus(Duration.ofDays(7))).read("second-look");
    learning.on(today.minus(Duration.ofDays(6))).attempt("pads-quiz", 2);
    learning.on(today.minus(Duration.ofDays(4))).attempt("pads-quiz", 2);
    learning.on(today.minus(Duration.ofDays(3))).read("second-look");
  }

  /** All of Brakes but the film, which was left after 19 of its 46 seconds. */
  private void unwatched(Learning learning, Instant start, Instant today) {
    List<String> keys = new ArrayList<>(WAY.subList(0, 13));
    keys.remove("toe-in");
    steps(learning, keys, 0.7, start, today.minus(Duration.ofDays(4)));
    learning.on(today.minus(Duration.ofDays(2))).watch("toe-in", 19);
  }

  private void again(Learning learning, Instant start, Instant today) {
    steps(learning, 7, 0.6, start, today.minus(Duration.ofDays(16)));
    learning
        .on(today.minus(Duration.ofDays(14)))
        .handIn(
            "fault-report",
            "<p>The front brake is bad and the wheel wobbles. It should be repaired.</p>");
    learning.marked(
        "fault-report",
        1,
        Judgement.AGAIN,
        0.3,
        "Say what it means for the rider: what now, what later, what it costs.",
        1);
    List<String> rest = WAY.subList(8, 14);
    steps(learning, rest, 0.6, today.minus(Duration.ofDays(12)), today.minus(Duration.ofDays(3)));
    learning
        .on(today.minus(Duration.ofDays(2)))
        .handIn("fault-report", DemoTexts.work("fault-report", new Random(SEED)));
  }

  private void sentBack(Learning learning, Instant start, Instant today) {
    steps(learning, 20, 0.6, start, today.minus(Duration.ofDays(3)));
    learning
        .on(today.minus(Duration.ofDays(2)))
        .handIn("wheel-note", "<p>Turned six nipples on the left and four on the right.</p>");
    learning.marked(
        "wheel-note",
        1,
        Judgement.AGAIN,
        0.3,
        "Say where the rim was and where it is now, in millimetres; what you turned comes second.",
        1);
  }

  private void excused(Author course, Learning learning, Instant start, Instant today) {
    steps(learning, 11, 0.7, start, today.minus(Duration.ofDays(8)));
    learning.on(today.minus(Duration.ofDays(7)));
    excuse(course, "Lena Okoro", "brake-practical", "Injured wrist, certificate seen");
    steps(
        learning,
        WAY.subList(12, 17),
        0.7,
        today.minus(Duration.ofDays(6)),
        today.minus(Duration.ofDays(2)));
  }

  private void excuse(Author course, String name, String step, String reason) {
    EnrolmentId enrolment =
        walks.enrolment(course.course, requireNonNull(ids.get(name))).orElseThrow();
    StepId id = course.id(step);
    walks.act(
        enrolment,
        Optional.of(requireNonNull(ids.get("Tomas Weir"))),
        _ -> List.of(new Fact.Excused(id, reason)));
  }

  /** Badges that were given by hand: shown elsewhere, given in error, brought from earlier. */
  private void givenByHand(Author a, Instant today) {
    Instant earlier = today.minus(Duration.ofDays(30));
    give(
        a,
        "Tilda Moreau",
        earlier,
        "Here in spring, seen on paper",
        today.plus(Duration.ofDays(500)));
    give(
        a,
        "Rosa Lindqvist",
        earlier,
        "Here three years ago, seen on paper",
        today.plus(Duration.ofDays(6)));
    give(
        a,
        "Samir Holt",
        earlier,
        "Here three years ago, seen on paper",
        today.minus(Duration.ofDays(12)));
    clock.putTo(today.minus(Duration.ofDays(9)));
    issue(
        a,
        "Petra Quill",
        new Fact.BadgeIssued(
            a.badge("Clear Speaker"),
            "Explained a quote to a rider on the open evening",
            Optional.empty(),
            Optional.of("https://hollowlane.example/open-evening/petra")));
    clock.putTo(today.minus(Duration.ofDays(8)));
    issue(
        a,
        "Ugo Ferrant",
        new Fact.BadgeIssued(a.badge("True Wheel"), "Trued a wheel at the bench"));
    clock.putTo(today.minus(Duration.ofDays(7)));
    issue(
        a,
        "Ugo Ferrant",
        new Fact.BadgeRevoked(
            a.badge("True Wheel"), "Given in error: the wheel was trued by somebody else"));
  }

  private void give(Author a, String name, Instant at, String reason, Instant until) {
    clock.putTo(at);
    var certificate = a.badge("Foundations certificate");
    issue(a, name, new Fact.BadgeIssued(certificate, reason, Optional.of(until)));
  }

  private void issue(Author a, String name, Fact.What what) {
    EnrolmentId learner = walks.enrolment(a.course, requireNonNull(ids.get(name))).orElseThrow();
    walks.act(learner, Optional.of(requireNonNull(ids.get("Tomas Weir"))), _ -> List.of(what));
  }

  private void handMadeStories(Author foundations, Seat teaching, Instant today) {
    givenByHand(foundations, today);
    clock.putTo(today.minus(Duration.ofHours(50)));
    EnrolmentId ilse =
        walks.enrolment(foundations.course, requireNonNull(ids.get("Ilse Tran"))).orElseThrow();
    var given =
        new Fact.BadgeIssued(
            foundations.badge("Never Missed a Saturday"),
            "At the bench on all five Saturdays so far");
    walks.act(ilse, Optional.of(requireNonNull(ids.get("Tomas Weir"))), _ -> List.of(given));
    clock.putTo(today.minus(Duration.ofDays(3)));
    List<EnrolmentId> quiet = new ArrayList<>();
    for (String name : Set.of("Bashir Colm", "Wren Castellane"))
      quiet.add(walks.enrolment(foundations.course, requireNonNull(ids.get(name))).orElseThrow());
    letters.write(
        teaching,
        quiet,
        "We miss you at the bench, {name}",
        "Hello {name},\n\nyou have not been in the course for a while. Open for you now:\n{open}\n\nCome on Saturday and we look at it together.\n\n{me}");
    clock.putTo(today.minus(Duration.ofDays(2)));
    messages.write(
        seat(foundations.course, requireNonNull(ids.get("Wren Castellane"))),
        requireNonNull(ids.get("Tomas Weir")),
        "Hello Tomas,\n\nmy evenings were full, I had to move house. I am back next week and go on with the fault report then.\n\nWren");
  }

  private PostId wrote(Seat teaching, String by, StepId step, Optional<PostId> to, String text) {
    PersonId person = requireNonNull(ids.get(by));
    if (person.equals(teaching.person().id()))
      return acts.staffTalks().reply(teaching, step, to.orElseThrow(), text);
    EnrolmentId enrolment = walks.enrolment(teaching.course(), person).orElseThrow();
    acts.steps().open(enrolment, person, step);
    return acts.talks().write(enrolment, person, step, to, text);
  }

  private Author wheelbuilding(
      Author core, Instant start, CourseId foundations, PersonId designer) {
    var a =
        author(
            designer,
            "Wheelbuilding",
            "From a hub and a box of spokes to a wheel.",
            "Winter cohort",
            start,
            6);
    a.outcome(
        a.adoptScale(core), "BUILD", "Build a wheel from parts", "", new LevelMethod.MostRecent());
    var lacing =
        new Script.ScriptStep(
            "lacing",
            StepKind.PAGE,
            "Lacing three cross",
            15,
            0,
            0,
            Counts.BEST,
            Optional.empty(),
            0,
            false,
            List.of("BUILD"),
            "<p>Each spoke crosses three others of its own side on its way to the rim, and passes under the third. Begin with the spoke beside the valve hole, so that the pump finds room.</p>",
            List.of(),
            Optional.empty(),
            /* byGroup= */ false,
            List.of(),
            /* elsewhere= */ false,
            Set.of(),
            Map.of(),
            List.of());
    var build =
        new Script.ScriptStep(
            "build",
            StepKind.PRACTICAL,
            "Build a front wheel",
            90,
            0,
            0,
            Counts.BEST,
            Optional.empty(),
            30,
            false,
            List.of("BUILD"),
            "<p>Build a 32-spoke front wheel and true it. A facilitator signs off.</p>",
            List.of(),
            Optional.empty(),
            /* byGroup= */ false,
            List.of(),
            /* elsewhere= */ false,
            Set.of(),
            Map.of(),
            List.of());
    a.write(
        new Script(
            "",
            "",
            List.of(new Script.ScriptModule("A front wheel", List.of(lacing, build))),
            List.of()),
        start);
    a.moduleOpens(0, a.ask(new Leaf.CourseComplete(foundations)));
    a.opens("build", a.done("lacing"));
    return a;
  }

  private void wheelbuilders(Author wheels, Author foundations, PersonId tomas, Instant today) {
    wheels.waitsFor(foundations.course);
    clock.putTo(today.minus(Duration.ofDays(6)));
    for (String eager : List.of("Ilse Tran", "Juno Abara"))
      enrolling.enrol(wheels.course, requireNonNull(ids.get(eager)), tomas, /* anyway= */ false);
    for (String name : List.of("Sol Wickham", "Ines Calder")) {
      clock.putTo(today.minus(Duration.ofDays(20)));
      PersonId learner = person(name, false);
      EnrolmentId enrolment = walks.enrol(wheels.course, learner, Optional.of(tomas));
      walks.act(
          enrolment,
          Optional.of(tomas),
          _ -> List.of(new Fact.CompletedCourse(foundations.course)));
      var learning =
          new Learning(
              acts,
              clock,
              wheels,
              seat(wheels.course, tomas),
              enrolment,
              learner,
              clock.instant(),
              today,
              new Random(SEED + learner.value()));
      learning.on(today.minus(Duration.ofDays(5))).read("lacing");
    }
  }
}
