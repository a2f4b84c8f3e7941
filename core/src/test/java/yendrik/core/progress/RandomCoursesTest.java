package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.JUNO;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.record.Fact;

/**
 * Random courses and what happens in them: going on, replaying and the simple rules agree, whenever
 * anybody looked or stored. A thousand worlds are tried; {@code -Djqwik.tries.default=20000} tries
 * more.
 */
class RandomCoursesTest {
  @Provide
  Arbitrary<RandomWorld> worlds() {
    return RandomWorld.anyWorld();
  }

  @Provide
  Arbitrary<List<Integer>> looks() {
    return Arbitraries.integers().between(0, 99).list().ofMaxSize(60);
  }

  @Property(edgeCases = EdgeCasesMode.NONE)
  void going_on_replaying_and_the_simple_rules_agree(
      @ForAll("worlds") RandomWorld world, @ForAll("looks") List<Integer> looks) {
    agree(world, looks);
  }

  @Property(edgeCases = EdgeCasesMode.NONE)
  void after_an_act_looking_at_what_it_touched_is_as_good_as_looking_at_everything(
      @ForAll("worlds") RandomWorld world) {
    var lived = new Lived(world, new Choices(List.of()));
    for (Fact fact : world.happenings()) {
      lived.happens(fact);
      Progress touched = lived.progress();
      Progress everything =
          Progress.resume(touched.course(), JUNO, lived.standing(), touched.latches());
      assertThat(seen(touched)).as("after " + fact).isEqualTo(seen(everything));
    }
  }

  /** All that is asked of a learner's progress, as a list that says what differs. */
  private static List<String> seen(Progress progress) {
    List<String> all = new ArrayList<>();
    all.add(progress.latches().toString());
    all.add(progress.thread() + " " + progress.share() + " " + progress.nextMoment());
    var index = progress.course().index();
    for (int s = 0; s < index.steps(); s++)
      all.add(
          index.step(s).name()
              + (progress.sight().open(s) ? " open" : "")
              + (progress.sight().outOfReach(s) ? " lost" : "")
              + (progress.sight().doneByWaiver(s) ? " waived" : ""));
    for (int m = 0; m < index.modules(); m++)
      all.add(
          index.module(m).name()
              + (progress.moduleOpen(m) ? " open" : "")
              + (progress.sight().nothingToDo(m) ? " nothing to do" : ""));
    for (int b = 0; b < index.badges(); b++)
      all.add(index.badge(b).name() + (progress.sight().holds(b) ? " held" : ""));
    all.add("in doubt " + progress.inDoubt());
    return all;
  }

  private static void agree(RandomWorld world, List<Integer> looks) {
    agree(world, new Lived(world, new Choices(looks)).through(world));
  }

  /** What was lived through, a replay of its facts and the simple rules come to the same. */
  static void agree(RandomWorld world, Lived lived) {
    Instant end = lived.progress().asOf();
    Progress replayed = lived.replay(end);
    assertThat(lived.progress().latches()).as("going on = replay").isEqualTo(replayed.latches());
    assertThat(lived.progress().thread()).as("going on = replay").isEqualTo(replayed.thread());
    assertThat(lived.progress().inDoubt()).as("going on = replay").isEqualTo(replayed.inDoubt());
    assertThat(lived.progress().share()).isEqualTo(replayed.share());
    assertThat(lived.progress().nextMoment()).isEqualTo(replayed.nextMoment());
    assertThat(lived.progress().record().sums()).isEqualTo(replayed.record().sums());

    var simple = new SimpleWorld(world.designs());
    simple.live(lived.facts(), end);
    Latches latches = replayed.latches();
    assertThat(latches.stepOpened()).as("opened").isEqualTo(millis(simple.opened));
    assertThat(latches.stepGranted()).as("granted").isEqualTo(millis(simple.granted));
    assertThat(latches.stepDone()).as("done").isEqualTo(millis(simple.done));
    assertThat(latches.moduleGranted())
        .as("module granted")
        .isEqualTo(millis(simple.moduleGranted));
    assertThat(latches.moduleDone()).as("module done").isEqualTo(millis(simple.moduleDone));
    assertThat(latches.earned()).as("earned").isEqualTo(millis(simple.earned));
    assertThat(latches.completed())
        .as("completed")
        .isEqualTo(simple.completed.map(Instant::toEpochMilli));
    var index = replayed.course().index();
    for (int s = 0; s < index.steps(); s++) {
      Step step = index.step(s);
      assertThat(replayed.sight().open(s))
          .as("open " + step.name())
          .isEqualTo(simple.open(step.id()));
      assertThat(replayed.sight().doneByWaiver(s))
          .as("by waiver " + step.name())
          .isEqualTo(simple.doneByWaiver(step.id()));
      assertThat(replayed.sight().outOfReach(s))
          .as("lost " + step.name())
          .isEqualTo(simple.lost(step.id()));
    }
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      assertThat(replayed.sight().nothingToDo(m))
          .as("nothing to do in " + module.name())
          .isEqualTo(simple.nothingToDo(module.id()));
    }
  }

  private static <I extends Comparable<I>> Map<I, Long> millis(Map<I, Instant> map) {
    Map<I, Long> all = new TreeMap<>();
    map.forEach((id, at) -> all.put(id, at.toEpochMilli()));
    return all;
  }
}
