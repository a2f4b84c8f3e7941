package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.course.CourseDesign;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;

/**
 * Two courses of one person that wait for each other: each hears of the other's completion some
 * time after it came or went. Each calls itself the course and the other the induction.
 */
class TwoCoursesTest {
  private static final int MOST_NEWS = 30;
  private static final Leaf OTHER_COMPLETE = new Leaf.CourseComplete(INDUCTION);

  @Provide
  Arbitrary<RandomWorld> worlds() {
    return RandomWorld.anyWorld().map(TwoCoursesTest::waiting);
  }

  @Provide
  Arbitrary<List<Integer>> looks() {
    return Arbitraries.integers().between(0, 99).list().ofMaxSize(60);
  }

  /**
   * Asks about the other course wherever it asked about the person, is complete with any module,
   * and nobody but the other course says that that is complete.
   */
  private static RandomWorld waiting(RandomWorld world) {
    return new RandomWorld(
        world.designs().stream().map(TwoCoursesTest::waiting).toList(),
        world.happenings().stream()
            .map(f ->
                f.what() instanceof Fact.CompletedCourse
                    ? new Fact(f.id(), f.at(), f.by(), new Fact.WasHere(), f.replaces())
                    : f)
            .toList());
  }

  private static CourseDesign waiting(CourseDesign d) {
    CourseDesign asking =
        OtherLeaves.in(
            d,
            (_, leaf) ->
                switch (leaf) {
                  case Leaf.InGroup _, Leaf.InTime _, Leaf.EnrolledFor _ -> OTHER_COMPLETE;
                  case Leaf.AttendanceRate _, Leaf.SessionsAttended _ -> OTHER_COMPLETE;
                  case Leaf.SessionAttended _, Leaf.InARow _ -> OTHER_COMPLETE;
                  case Leaf.Approved _, Leaf.OwnWord _, Leaf.GradeAtLeast _ -> OTHER_COMPLETE;
                  default -> leaf;
                });
    Condition anyModule =
        any(
            d.modules().stream()
                .map(m -> ask(new Leaf.ModuleDone(m.id())))
                .toArray(Condition[]::new));
    return CourseDesignBuilder.builder(d)
        .modules(asking.modules())
        .badges(asking.badges())
        .flags(asking.flags())
        .completeWhen(Optional.of(asking.completeWhen().orElse(anyModule)))
        .build();
  }

  private record Happening(int course, Fact fact) {}

  /** Both ways, with news that is on its way for a while. */
  private static final class Two {
    private final List<Lived> ways;
    private final Choices delays;

    Two(RandomWorld one, RandomWorld other, Choices delays) {
      ways =
          List.of(new Lived(one, new Choices(List.of())), new Lived(other, new Choices(List.of())));
      this.delays = delays;
      Stream.concat(
              one.happenings().stream().map(f -> new Happening(0, f)),
              other.happenings().stream().map(f -> new Happening(1, f)))
          .sorted(Comparator.comparing(h -> h.fact().at()))
          .forEach(this::happens);
      Instant end = latest();
      for (int news = 0; news == 0 || tell(end); news++)
        assertThat(news).as("news that never ends").isLessThan(MOST_NEWS);
    }

    private void happens(Happening happening) {
      ways.get(happening.course()).happens(happening.fact());
      if (delays.next(3) == 0) tell(latest());
    }

    private Instant latest() {
      return ways.stream()
          .map(w -> w.progress().asOf())
          .max(Comparator.naturalOrder())
          .orElseThrow();
    }

    /** Tells all news there is; says whether there was any. */
    private boolean tell(Instant now) {
      boolean any = false;
      for (int c = 0; c < 2; c++) {
        Lived way = ways.get(c);
        Lived other = ways.get(1 - c);
        if (way.facts().isEmpty() || other.facts().isEmpty()) continue;
        way.advance(now);
        Optional<Instant> completed = way.progress().completedAt();
        if (completed.isPresent() == other.heard()) continue;
        other.advance(now);
        other.hear(completed);
        any = true;
      }
      return any;
    }
  }

  @Property(edgeCases = EdgeCasesMode.NONE)
  void come_to_rest_and_each_follows_from_its_own_facts(
      @ForAll("worlds") RandomWorld one,
      @ForAll("worlds") RandomWorld other,
      @ForAll("looks") List<Integer> delays) {
    var two = new Two(one, other, new Choices(delays));
    for (int c = 0; c < 2; c++)
      assertThat(two.ways.get(c).heard())
          .as("what a course knows of the other")
          .isEqualTo(two.ways.get(1 - c).progress().completedAt().isPresent());
    RandomCoursesTest.agree(one, two.ways.get(0));
    RandomCoursesTest.agree(other, two.ways.get(1));
  }
}
