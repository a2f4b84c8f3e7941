package yendrik.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.outcome.Levels;

/** Levels of 10,000 learners on 100 outcomes from 20 pieces of evidence each. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 4, time = 3)
@Fork(value = 1, jvmArgs = "-Xmx12g")
public class LevelsBench {
  private static final int LEARNERS = 10_000;
  private static final int OUTCOMES = 100;
  private static final int PIECES = 20;

  @Param({"MOST_RECENT", "BEST", "MEAN", "RECENCY_WEIGHTED", "SECURE"})
  public String method;

  private LevelRule rule;
  private final List<List<Evidence>> all = new ArrayList<>();

  @Setup(Level.Trial)
  public void begin() {
    rule =
        LevelRule.of(
            switch (method) {
              case "BEST" -> new LevelMethod.Best();
              case "MEAN" -> new LevelMethod.Mean();
              case "RECENCY_WEIGHTED" -> new LevelMethod.RecencyWeighted(2);
              case "SECURE" -> new LevelMethod.Secure(3, 5);
              default -> new LevelMethod.MostRecent();
            });
    Random random = new Random(1);
    for (int n = 0; n < LEARNERS * OUTCOMES; n++) {
      List<Evidence> pieces = new ArrayList<>(PIECES);
      for (int p = 0; p < PIECES; p++)
        pieces.add(
            new Evidence(
                p * 1_000L,
                random.nextInt(4),
                1 + random.nextInt(3),
                Optional.empty(),
                0,
                Optional.empty()));
      all.add(pieces);
    }
  }

  /** Every learner's level on every outcome. */
  @Benchmark
  public long levelsOfAll() {
    long sum = 0;
    for (List<Evidence> pieces : all) sum += Levels.of(rule, pieces).orElse(0);
    return sum;
  }
}
