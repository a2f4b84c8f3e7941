package yendrik.bench;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.IntSupplier;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.PersonId;
import yendrik.core.progress.Latches;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;

/**
 * The rules of the large course for 10,000 learners in three ways, in turn on the same facts: by
 * core, by an expression language asked for each learner, and by statements over sets in
 * PostgreSQL. All three must find the same steps done.
 *
 * <p>The other two only say yes or no; core also says how far, whose turn, when the clock changes
 * it and what is out of reach, and raises the flags, which the other two are spared.
 */
public final class OtherWaysBench {
  private static final int LEARNERS = 10_000;
  private static final int ROUNDS = 5;

  private OtherWaysBench() {}

  /**
   * @param arguments the port of PostgreSQL
   */
  public static void main(String[] arguments) throws Exception {
    CourseDesign design = new LargeCourse().design();
    CompiledCourse course = CompiledCourse.of(design);
    List<Progress> learners = new ArrayList<>();
    double[][] shares = new double[LEARNERS][];
    Random random = new Random(1);
    for (int l = 0; l < LEARNERS; l++) {
      List<Fact> facts = LargeCourse.facts(random);
      var latches = Latches.none(LargeCourse.START.plus(Duration.ofDays(60)).toEpochMilli());
      Progress learner = Progress.resume(course, new PersonId(l + 1), facts, latches);
      learners.add(learner);
      shares[l] = new double[LargeCourse.STEPS];
      for (int s = 0; s < LargeCourse.STEPS; s++)
        shares[l][s] = learner.record().scored(s) ? learner.record().score(s) : -1;
    }
    var expressions = new RulesAsExpressions(design);
    try (var sets = new RulesAsSets(design, arguments[0], shares)) {
      List<Way> ways =
          List.of(
              new Way("core", () -> byCore(learners)),
              new Way("expression language", () -> byExpressions(expressions, shares)),
              new Way("sets in PostgreSQL", sets::evaluate));
      for (int round = 0; round <= ROUNDS; round++) for (Way way : ways) way.run(round > 0);
      ways.forEach(way -> way.print(ways.getFirst()));
      if (ways.stream().mapToInt(w -> w.done).distinct().count() > 1)
        throw new IllegalStateException("they do not agree");
    }
  }

  private static int byCore(List<Progress> learners) {
    int done = 0;
    for (Progress learner : learners) {
      learner.evaluateAll();
      for (int s = 0; s < LargeCourse.STEPS; s++) if (learner.doneAt(s).isPresent()) done++;
    }
    return done;
  }

  private static int byExpressions(RulesAsExpressions rules, double[][] shares) {
    return Arrays.stream(shares).mapToInt(rules::evaluate).sum();
  }

  private static final class Way {
    private final String name;
    private final IntSupplier work;
    private final List<Double> seconds = new ArrayList<>();
    private int done;

    Way(String name, IntSupplier work) {
      this.name = name;
      this.work = work;
    }

    void run(boolean counts) {
      long from = System.nanoTime();
      done = work.getAsInt();
      if (counts) seconds.add((System.nanoTime() - from) / 1e9);
    }

    double median() {
      return seconds.stream().sorted().toList().get(seconds.size() / 2);
    }

    void print(Way first) {
      System.out.printf(
          Locale.ROOT,
          "%s: %.2f s (%s), %d steps done, %.1f times%n",
          name,
          median(),
          seconds.stream().map(s -> String.format(Locale.ROOT, "%.2f", s)).toList(),
          done,
          median() / first.median());
    }
  }
}
