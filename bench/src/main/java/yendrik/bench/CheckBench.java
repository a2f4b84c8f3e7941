package yendrik.bench;

import java.util.List;
import java.util.Optional;
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
import yendrik.core.check.Around;
import yendrik.core.check.Check;
import yendrik.core.check.Finding;
import yendrik.core.check.Mend;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.plan.CompiledCourse;

/** Checking the large course, as it is and with a circle; beside compiling it. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class CheckBench {
  private CourseDesign design;
  private CourseDesign circular;

  /** The first step waits for the last one, and so does everything. */
  @Setup(Level.Trial)
  public void begin() {
    design = new LargeCourse().design();
    Step first = design.steps().findFirst().orElseThrow();
    Step last = design.steps().toList().getLast();
    Condition waits = new Condition.Ask(new NodeId("back"), new Leaf.StepDone(last.id()));
    circular =
        new Mend.Rule(new RuleAt.StepOpens(first.id()), Mend.How.OUT, waits, Optional.of(waits))
            .in(design);
    System.out.println("findings: " + check(design).size() + ", " + check(circular).size());
  }

  private static List<Finding> check(CourseDesign of) {
    return Check.of(of, Around.NOTHING);
  }

  @Benchmark
  public List<Finding> asItIs() {
    return check(design);
  }

  @Benchmark
  public List<Finding> withACircle() {
    return check(circular);
  }

  @Benchmark
  public CompiledCourse compiling() {
    return CompiledCourse.of(design);
  }
}
