package yendrik.bench;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import yendrik.core.id.ModuleId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Latches;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.plan.CompiledCourse;
import yendrik.core.strand.attempts.AttemptFact;

/**
 * Full evaluation of 10,000 learners, and one new fact, on the large course: for learners who have
 * hardly begun, and for learners who have done half of it.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
public class EvaluationBench {
  private static final int LEARNERS = 10_000;
  private static final long AS_OF = LargeCourse.START.plus(Duration.ofDays(60)).toEpochMilli();
  private CompiledCourse course;

  @Param({"BEGINNING", "HALFWAY"})
  private Where where;

  private final List<Progress> learners = new ArrayList<>();
  private Progress one;
  private Instant at;
  private int attempt;

  @Setup(Level.Trial)
  public void begin() {
    course = CompiledCourse.of(new LargeCourse().design());
    System.out.println("conditions: " + course.conditions());
    Random random = new Random(1);
    for (int l = 1; l <= LEARNERS; l++) {
      List<Fact> facts = LargeCourse.facts(random);
      Latches latches = where == Where.HALFWAY ? halfway() : Latches.none(AS_OF);
      learners.add(Progress.resume(course, new PersonId(l), facts, latches));
    }
    one = learners.getFirst();
    at = one.asOf();
  }

  /** Where learners are in the course. */
  public enum Where {
    BEGINNING,
    HALFWAY
  }

  private Latches halfway() {
    var index = course.index();
    long at = LargeCourse.START.toEpochMilli();
    Map<StepId, Long> steps = new HashMap<>();
    for (int s = 0; s < index.steps() / 2; s++) steps.put(index.step(s).id(), at);
    Map<ModuleId, Long> modules = new HashMap<>();
    for (int m = 0; m < index.modules() / 2; m++) modules.put(index.module(m).id(), at);
    Latches none = Latches.none(AS_OF);
    return new Latches(
        AS_OF,
        steps,
        steps,
        steps,
        modules,
        modules,
        none.earned(),
        none.flagged(),
        none.completed(),
        none.firstMet());
  }

  /** Every rule of the course for every learner, from their records. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public long fullEvaluationOf10000Learners() {
    long open = 0;
    for (Progress learner : learners) {
      learner.evaluateAll();
      if (learner.sight().open(0)) open++;
    }
    return open;
  }

  /** A finished attempt somewhere in the middle, with all that follows from it. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MICROSECONDS)
  public Object oneNewFact() {
    at = at.plusMillis(1);
    attempt++;
    var step = new StepId(1 + attempt % LargeCourse.STEPS);
    var what = new AttemptFact.FinishedAttempt(step, attempt, attempt % 11, 10);
    return one.take(LargeCourse.fact(List.of(), at, what));
  }

  public static void main(String[] args) throws RunnerException {
    new Runner(
            new OptionsBuilder()
                .include(EvaluationBench.class.getSimpleName())
                .include(CheckBench.class.getSimpleName())
                .include(CrowdRehearsalBench.class.getSimpleName())
                .include(LevelsBench.class.getSimpleName())
                .include(MarkingBench.class.getSimpleName())
                .include(SigningBench.class.getSimpleName())
                .build())
        .run();
  }
}
