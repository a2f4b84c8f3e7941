package yendrik.server.demo;

import static java.util.Objects.requireNonNull;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.taking.Taking;
import yendrik.core.strand.work.Judgement;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.quiz.AttemptViews.AttemptView;
import yendrik.server.kinds.quiz.Attempts.Sent;
import yendrik.server.kinds.quiz.question.AskedQuestion;
import yendrik.server.kinds.quiz.question.GivenAnswer;
import yendrik.server.people.Seat;

/** One learner of the demo living through the course, act by act, as the clock is put on. */
final class Learning implements DemoLearner {
  private final Acts acts;
  private final DemoClock clock;
  private final Author course;
  private final Seat facilitator;
  private final EnrolmentId enrolment;
  private final PersonId person;
  private final Instant end;
  private final Random random;
  private final Queue<Booked> booked = new PriorityQueue<>(Comparator.comparing(Booked::at));
  private final Map<String, String> recordings = new HashMap<>();
  private Instant now;

  /** Something that others do about the learner at a moment of their own. */
  record Booked(Instant at, Runnable act) {}

  Learning(
      Acts acts,
      DemoClock clock,
      Author course,
      Seat facilitator,
      EnrolmentId enrolment,
      PersonId person,
      Instant from,
      Instant end,
      Random random) {
    this.acts = acts;
    this.clock = clock;
    this.course = course;
    this.facilitator = facilitator;
    this.enrolment = enrolment;
    this.person = person;
    this.end = end;
    this.random = random;
    now = from;
  }

  /** Lets others act in between, in order of time. */
  void book(Instant at, Runnable act) {
    booked.add(new Booked(at, act));
  }

  /** Lets everything that is booked up to a moment happen. */
  void until(Instant moment) {
    while (!booked.isEmpty() && !booked.peek().at().isAfter(moment)) {
      Booked next = booked.remove();
      clock.putTo(next.at());
      next.act().run();
    }
  }

  /** Speaks instead of writing at a step. */
  Learning says(String key, String recording) {
    recordings.put(key, recording);
    return this;
  }

  /** Puts the learner's next act on the evening of a day, or a little after the last act. */
  Learning on(Instant day) {
    Instant evening =
        day.atZone(DemoSchool.ZONE)
            .with(LocalTime.of(18, 0).plusMinutes(random.nextInt(140)))
            .toInstant();
    now = notAfterEnd(evening.isAfter(now) ? evening : now);
    return later(Duration.ofMinutes(3));
  }

  Learning later(Duration gap) {
    now = notAfterEnd(now.plus(gap));
    until(now);
    clock.putTo(now);
    return this;
  }

  /** Nothing of a past that is made up may lie in the future. */
  private Instant notAfterEnd(Instant moment) {
    return moment.isAfter(end) ? end : moment;
  }

  Instant now() {
    return now;
  }

  @Override
  public void read(String key) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    int minutes = Math.max(2, course.script(id).minutes() - 3 + random.nextInt(6));
    for (int m = 0; m < minutes; m += 5) {
      later(Duration.ofMinutes(Math.min(5, minutes - m)));
      acts.steps().spend(enrolment, person, id, 60 * Math.min(5, minutes - m));
    }
  }

  /** Plays the first seconds of a film, a stretch at a time. */
  void watch(String key, int seconds) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    for (int from = 0; from < seconds; from += 15) {
      int to = Math.min(from + 15, seconds);
      later(Duration.ofSeconds(to - from));
      acts.films().watch(enrolment, person, id, from, to);
      acts.steps().spend(enrolment, person, id, to - from);
    }
  }

  /** Takes a quiz with so many right answers, to its first questions. */
  void attempt(String key, int right) {
    Script.ScriptStep script = course.script(course.id(key));
    List<String> ids = script.questions().stream().map(Question::id).toList();
    attempt(key, right, Set.copyOf(ids.subList(0, Math.min(right, ids.size()))));
  }

  /**
   * @param known the questions that are answered rightly
   */
  private void attempt(String key, int right, Set<String> known) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    Script.ScriptStep script = course.script(id);
    String word = script.taking().map(Taking::word).orElse("");
    var attempt = acts.attempts().begin(enrolment, person, id, Optional.of(word));
    int minutes = 4 + random.nextInt(5);
    Map<String, GivenAnswer> answers = new HashMap<>();
    answer(attempt, script, right, known, answers);
    while (answers.size() < attempt.count()) {
      later(Duration.ofSeconds(60L * minutes / attempt.count()));
      attempt =
          acts.attempts()
              .turn(enrolment, id, attempt.number(), attempt.page() + 1, new Sent(answers));
      answer(attempt, script, right, known, answers);
    }
    oneByOne(id, attempt, minutes, answers);
    acts.steps().spend(enrolment, person, id, minutes * 60);
    acts.attempts().finish(enrolment, person, id, attempt.number(), new Sent(answers));
  }

  /** Gives the answers to the questions that are seen one after the other, some of them quickly. */
  private void oneByOne(
      StepId step, AttemptView attempt, int minutes, Map<String, GivenAnswer> answers) {
    List<Integer> shares = attempt.questions().stream().map(q -> share(q.text())).toList();
    int sum = shares.stream().mapToInt(n -> n).sum();
    for (int n = 0; n < shares.size(); n++) {
      String question = attempt.questions().get(n).id();
      later(Duration.ofSeconds(60L * minutes * shares.get(n) / sum));
      var one = new Sent(Map.of(question, requireNonNull(answers.get(question))));
      acts.attempts().keep(enrolment, step, attempt.number(), one);
    }
  }

  /** How much of the time of an attempt goes into a question, the same for its text in all. */
  private int share(String text) {
    return 4 + Math.floorMod(text.hashCode() + enrolment.value(), 3) + text.length() / 20;
  }

  /** Answers the questions that are seen. */
  private void answer(
      AttemptView attempt,
      Script.ScriptStep script,
      int right,
      Set<String> known,
      Map<String, GivenAnswer> answers) {
    List<String> ids = script.questions().stream().map(Question::id).toList();
    for (AskedQuestion asked : attempt.questions()) {
      int n = ids.indexOf(asked.id());
      boolean drawn = n < 0;
      Question question = drawn ? course.banked(asked.id()) : script.questions().get(n);
      boolean isRight = drawn ? right >= ids.size() : known.contains(asked.id());
      answers.put(asked.id(), acts.questions().rehearsed(question, asked.part(), isRight));
    }
  }

  /** Begins to write at a step. */
  void begin(String key, String text) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    later(Duration.ofMinutes(6));
    acts.work().begin(enrolment, person, id, text);
  }

  void handIn(String key, String text) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    later(Duration.ofMinutes(18));
    acts.steps().spend(enrolment, person, id, 500);
    Optional<String> recording = Optional.ofNullable(recordings.get(key));
    acts.work()
        .handIn(
            enrolment,
            person,
            id,
            recording.isPresent() ? "" : text,
            recording.map(r -> course.keep(person, r)).stream().toList());
  }

  void marked(
      String key, int version, Judgement judgement, double share, String comment, int level) {
    later(Duration.ofHours(16));
    StepId id = course.id(key);
    double points = Math.round(course.script(id).points() * share);
    acts.marking()
        .mark(
            facilitator,
            enrolment,
            id,
            version,
            points,
            judgement,
            comment,
            levels(key, level),
            course.met(key, level, ""));
  }

  /**
   * Staff mark a text in the first attempt at a quiz, with its rubric met about as well, 0 to 3.
   */
  void judged(String key, String question, double points, String comment, int level) {
    later(Duration.ofHours(2));
    acts.openAnswers()
        .mark(
            facilitator,
            enrolment,
            course.id(key),
            1,
            Map.of(question, new Quiz.Judged(points, comment, course.met(key, level, ""))));
  }

  void signedOff(String key, String comment, int level) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    later(Duration.ofMinutes(25));
    acts.marking()
        .signOff(
            facilitator, enrolment, id, comment, levels(key, level), course.met(key, level, ""));
  }

  private Map<OutcomeId, Integer> levels(String key, int level) {
    Map<OutcomeId, Integer> levels = new HashMap<>();
    if (!course.met(key, level, "").isEmpty()) return levels;
    for (String code : course.script(course.id(key)).ties())
      levels.put(course.outcomeId(code), code.equals("FULL") ? Math.min(5, level + 2) : level);
    return levels;
  }

  /** Does a step in the way that its kind asks for, and passes. */
  void doStep(String key, double ability) {
    acts.room(course.script(course.id(key)).kind()).doStep(this, key, ability);
  }

  @Override
  public void watch(String key) {
    watch(key, course.script(course.id(key)).film().orElseThrow().seconds());
  }

  @Override
  public void passAttempts(String key, double ability) {
    quiz(key, course.script(course.id(key)), ability);
  }

  @Override
  public void passWork(String key, double ability) {
    handIn(key, DemoTexts.work(key, random));
    int level = ability > 0.85 ? 3 : ability > 0.45 ? 2 : 1;
    marked(key, 1, Judgement.PASSED, 0.6 + 0.4 * ability, DemoTexts.praise(random), level);
  }

  @Override
  public void write(String key, double ability) {
    StepId id = course.id(key);
    acts.steps().open(enrolment, person, id);
    later(Duration.ofMinutes(9));
    acts.steps().spend(enrolment, person, id, 400);
    acts.talks().write(enrolment, person, id, Optional.empty(), DemoTexts.post(random));
  }

  @Override
  public void passInFrontOfStaff(String key, double ability) {
    signedOff(key, DemoTexts.seen(random), ability > 0.9 ? 3 : ability > 0.3 ? 2 : 1);
  }

  private void quiz(String key, Script.ScriptStep script, double ability) {
    int all = script.questions().size();
    int needed = (int) Math.ceil(script.pass() * all - 1e-9);
    if (random.nextDouble() > ability + 0.25) {
      int right = Math.max(0, needed - 1);
      attempt(key, right, some(script, right, key));
      later(Duration.ofMinutes(40));
    }
    int right = random.nextDouble() < ability ? all : Math.min(all, needed);
    attempt(key, right, some(script, right, key));
  }

  /**
   * Which questions somebody knows: the later ones of a quiz less often, but the first ones where
   * questions carry outcomes of their own, since levels and what opens by them hang on it. Chance
   * of its own, so that nothing else that people of the demo do hangs on it.
   */
  private Set<String> some(Script.ScriptStep script, int right, String key) {
    Random chance = new Random(31 * key.hashCode() + enrolment.value() * 1_000_003);
    List<String> ids = new ArrayList<>(script.questions().stream().map(Question::id).toList());
    if (!script.carried().isEmpty()) return Set.copyOf(ids.subList(0, right));
    Set<String> known = new HashSet<>();
    while (known.size() < Math.min(right, script.questions().size())) {
      int n = Math.min(chance.nextInt(ids.size()), chance.nextInt(ids.size()));
      known.add(ids.remove(n));
    }
    return known;
  }
}
