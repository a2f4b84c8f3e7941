package yendrik.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yendrik.core.rehearse.crowd.Crowd;
import yendrik.core.rehearse.crowd.CrowdResult;
import yendrik.core.rehearse.crowd.CrowdWalk;
import yendrik.core.rehearse.crowd.Folk;
import yendrik.core.rule.plan.CompiledCourse;

/** A crowd of 1,000 able and steadfast learners through the large course. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2)
@Measurement(iterations = 5)
@Fork(1)
public class CrowdRehearsalBench {
  private static final int LEARNERS = 1000;
  private CompiledCourse course;
  private Crowd crowd;

  @Setup(Level.Trial)
  public void begin() {
    course = CompiledCourse.of(new LargeCourse().design());
    var folk = new Folk.Around(0.85, 0.1, 20, 1.3);
    crowd = new Crowd(LEARNERS, 1, 52, folk, 0, 1, 0.9, List.of(), List.of());
    CrowdResult result = CrowdWalk.through(course, crowd, _ -> {});
    int done = result.steps().stream().mapToInt(CrowdResult.OfStep::done).sum();
    System.out.println(
        "done: " + done / LEARNERS + " steps a learner, finished: " + result.finished());
  }

  @Benchmark
  public Object thousandThrough300Steps() {
    return CrowdWalk.through(course, crowd, _ -> {});
  }
}
