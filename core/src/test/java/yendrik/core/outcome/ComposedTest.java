package yendrik.core.outcome;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.NotEmpty;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import yendrik.core.Workshop;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.Verdict;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.check.References;
import yendrik.core.rule.plan.CompiledCourse;

class ComposedTest {
  private static Scale scale(int id, int levels, int mastery) {
    List<Scale.Level> all = new ArrayList<>();
    for (int l = 0; l < levels; l++) all.add(new Scale.Level(l, "level " + l, l, ""));
    return new Scale(new ScaleId(id), "scale " + id, all, mastery);
  }

  /** The level that parts on the workshop scale amount to; -1 stands for no evidence. */
  private static OptionalInt of(Composition.How how, Integer... levels) {
    List<Composed.Part> parts =
        Arrays.stream(levels)
            .map(l -> new Composed.Part(SCALE, l < 0 ? OptionalInt.empty() : OptionalInt.of(l)))
            .toList();
    return Composed.of(how, parts, SCALE);
  }

  @Test
  void all_parts_at_mastery_give_the_lowest_of_them() {
    assertThat(of(new Composition.All(), 2, 3, 3)).hasValue(2);
    assertThat(of(new Composition.All(), 3, 3)).hasValue(3);
    assertThat(of(new Composition.All(), 3, 1)).as("one of two").hasValue(1);
    assertThat(of(new Composition.All(), 1, 1)).as("none of two").hasValue(0);
    assertThat(of(new Composition.All(), 3, -1)).as("no evidence is no mastery").hasValue(1);
    assertThat(of(new Composition.All(), -1, -1)).isEmpty();
  }

  @Test
  void some_of_the_parts_give_the_lowest_of_the_best() {
    assertThat(of(new Composition.AtLeast(2), 3, 2, 0)).hasValue(2);
    assertThat(of(new Composition.AtLeast(1), 3, 2, 0)).hasValue(3);
    assertThat(of(new Composition.AtLeast(2), 3, 1, 0)).hasValue(1);
  }

  @Test
  void mean_and_lowest_wait_for_every_part() {
    assertThat(of(new Composition.Mean(), 3, -1)).isEmpty();
    assertThat(of(new Composition.Mean(), 3, 2)).as("2.5 goes down").hasValue(2);
    assertThat(of(new Composition.Lowest(), 3, -1)).isEmpty();
    assertThat(of(new Composition.Lowest(), 3, 0, 2)).hasValue(0);
  }

  @Test
  void a_level_on_another_scale_keeps_its_side_of_mastery() {
    Scale six = scale(2, 6, 4);
    assertThat(Composed.carry(4, six, SCALE)).isEqualTo(2);
    assertThat(Composed.carry(5, six, SCALE)).isEqualTo(3);
    assertThat(Composed.carry(3, six, SCALE)).isEqualTo(1);
    assertThat(Composed.carry(1, six, SCALE)).isZero();
    assertThat(Composed.carry(2, SCALE, six)).isEqualTo(4);
  }

  @Property
  void carrying_never_makes_or_takes_mastery_and_keeps_the_order(
      @ForAll @IntRange(min = 2, max = 8) int fromLevels,
      @ForAll @IntRange(min = 2, max = 8) int toLevels,
      @ForAll @IntRange(max = 1000) int random) {
    Scale from = scale(3, fromLevels, random % fromLevels);
    Scale to = scale(4, toLevels, random / 7 % toLevels);
    int before = 0;
    for (int level = 0; level <= from.top(); level++) {
      int carried = Composed.carry(level, from, to);
      assertThat(carried).isBetween(0, to.top()).isGreaterThanOrEqualTo(before);
      if (to.mastery() > 0) assertThat(carried >= to.mastery()).isEqualTo(level >= from.mastery());
      before = carried;
    }
  }

  @Property
  void all_is_at_mastery_exactly_when_every_part_is(
      @ForAll @NotEmpty @Size(max = 6) List<@IntRange(min = -1, max = 3) Integer> levels) {
    OptionalInt level = of(new Composition.All(), levels.toArray(Integer[]::new));
    assertThat(level.orElse(-1) >= SCALE.mastery())
        .isEqualTo(levels.stream().allMatch(l -> l >= SCALE.mastery()));
  }

  @Property
  void a_better_part_never_lowers_the_whole(
      @ForAll @NotEmpty @Size(max = 5) List<@IntRange(max = 2) Integer> levels,
      @ForAll @IntRange(max = 100) int which,
      @ForAll @IntRange(min = 1, max = 5) int n) {
    List<Integer> better = new ArrayList<>(levels);
    int place = which % levels.size();
    better.set(place, better.get(place) + 1);
    for (Composition.How how :
        List.of(
            new Composition.All(),
            new Composition.AtLeast(n),
            new Composition.Mean(),
            new Composition.Lowest()))
      assertThat(of(how, better.toArray(Integer[]::new)).orElse(-1))
          .as(how.toString())
          .isGreaterThanOrEqualTo(of(how, levels.toArray(Integer[]::new)).orElse(-1));
  }

  @Test
  void a_rule_about_the_whole_opens_with_the_evidence_for_its_parts() {
    var design = withWhole(new Composition(List.of(BRAKE, SAFE), new Composition.All()));
    assertThat(References.check(design)).isEmpty();
    var learner = new Workshop();
    Progress progress = Progress.begin(CompiledCourse.of(design), JUNO, START);
    progress.take(learner.fact(new Fact.Enrolled()));
    assertThat(progress.moduleOpen(0)).isFalse();
    progress.take(learner.fact(new Fact.Rated(BRAKE, 3, Optional.empty(), 0)));
    assertThat(progress.record().level(0)).hasValue(1);
    assertThat(progress.explain(new RuleAt.ModuleOpens(BRAKES)).orElseThrow().verdict())
        .isEqualTo(Verdict.NOT_YET);
    progress.take(learner.fact(new Fact.Rated(WHOLE, 3, Optional.empty(), 0)));
    assertThat(progress.record().level(0)).as("it has no evidence of its own").hasValue(1);
    progress.take(learner.fact(new Fact.Rated(SAFE, 2, Optional.empty(), 0)));
    assertThat(progress.record().level(0)).hasValue(2);
    assertThat(progress.moduleOpen(0)).isTrue();
    assertThat(progress.record().pieces(0, 2)).isEqualTo(2);
  }

  @Test
  void circles_and_missing_parts_are_found() {
    assertThat(codes(new Composition(List.of(WHOLE, BRAKE), new Composition.All())))
        .containsExactly(Fault.Code.MADE_OF_ITSELF);
    assertThat(codes(new Composition(List.of(new OutcomeId(77)), new Composition.All())))
        .containsExactly(Fault.Code.UNKNOWN_PART);
    assertThat(codes(new Composition(List.of(BRAKE), new Composition.AtLeast(2))))
        .containsExactly(Fault.Code.TOO_FEW_OUTCOMES);
    assertThat(codes(new Composition(List.of(), new Composition.Mean())))
        .containsExactly(Fault.Code.TOO_FEW_OUTCOMES);
  }

  private static List<Fault.Code> codes(Composition made) {
    return References.check(withWhole(made)).stream().map(Fault::code).toList();
  }

  @Test
  void the_lowest_part_is_never_above_the_mean() {
    for (List<Integer> levels :
        List.of(List.of(0, 3, 3), List.of(2, 2), List.of(1, 3, 0, 2), List.of(3)))
      assertThat(of(new Composition.Lowest(), levels.toArray(Integer[]::new)).orElseThrow())
          .isEqualTo(Collections.min(levels))
          .isLessThanOrEqualTo(
              of(new Composition.Mean(), levels.toArray(Integer[]::new)).orElseThrow());
  }
}
