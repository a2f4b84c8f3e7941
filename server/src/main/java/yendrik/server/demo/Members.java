package yendrik.server.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.jooq.DSLContext;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Question;
import yendrik.core.strand.seen.SeenFact;
import yendrik.server.kinds.quiz.PastAttempts;
import yendrik.server.way.Walks;

/**
 * The members of the workshop who only come to use a bench: they are in the induction and nowhere
 * else, and take its quizzes until they have them.
 */
final class Members {
  private static final int MOST_ATTEMPTS = 4;

  private final DSLContext db;
  private final DemoClock clock;
  private final Walks walks;
  private final PastAttempts attempts;
  private final Author induction;

  Members(DSLContext db, DemoClock clock, Walks walks, PastAttempts attempts, Author induction) {
    this.db = db;
    this.clock = clock;
    this.walks = walks;
    this.attempts = attempts;
    this.induction = induction;
  }

  /**
   * Enrols so many; their addresses are member1@, member2@ and so on.
   *
   * @param names from whose first and last names theirs are made
   */
  void enrol(int many, List<String> names, String passwordHash, PersonId staff, Instant from) {
    for (int n = 1; n <= many; n++) {
      var random = new Random(n);
      String first = names.get(n % names.size()).split(" ")[0];
      String last = names.get((n + 1 + n / names.size()) % names.size()).split(" ")[1];
      clock.putTo(from.plus(Duration.ofMinutes(random.nextInt(20 * 24 * 60))));
      PersonId person =
          Crowd.person(
              db, clock, first + " " + last, "member" + n + "@hollowlane.example", passwordHash);
      EnrolmentId enrolment = walks.enrol(induction.course, person, Optional.of(staff));
      StepId floor = induction.id("floor");
      walks.act(enrolment, Optional.of(person), _ -> List.of(new SeenFact.Saw(floor)));
      double ability = random.nextGaussian();
      for (String key : List.of("stop-check", "induction-quiz", "mishaps"))
        if (random.nextInt(12) > 0) until(enrolment, person, key, ability, random);
    }
  }

  /** One attempt after the other, each knowing more, until everything is right. */
  private void until(
      EnrolmentId enrolment, PersonId person, String key, double ability, Random random) {
    for (int tried = 0; tried < MOST_ATTEMPTS; tried++) {
      clock.putTo(clock.instant().plus(Duration.ofMinutes(6 + random.nextInt(60))));
      double known = ability + tried * 1.2;
      double share =
          attempts.handedIn(enrolment, person, induction.id(key), answering(known, random));
      if (share > 1 - 1e-9) return;
    }
  }

  /** The harder a question, the fewer know it and the longer it takes. */
  private static PastAttempts.Answering answering(double known, Random random) {
    return new PastAttempts.Answering() {
      @Override
      public boolean right(Question question) {
        double chance = 1 / (1 + Math.exp(hardness(question) - known));
        return random.nextDouble() < chance;
      }

      @Override
      public Duration takes(Question question) {
        double seconds = 18 + 9 * (hardness(question) + 2) + 8 * random.nextGaussian();
        return Duration.ofSeconds(Math.max(4, Math.round(seconds)));
      }
    };
  }

  /** From -2 to 1, the same for a question whenever it is asked. */
  private static double hardness(Question question) {
    return -2 + Math.floorMod(question.text().hashCode(), 31) / 10.0;
  }
}
