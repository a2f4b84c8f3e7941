package yendrik.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.function.LongFunction;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.FactId;
import yendrik.core.id.FlagId;
import yendrik.core.id.GroupId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.RubricId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StepId;

/** Ids are positive, sort by their number and are written as it. */
class IdsTest {
  static Stream<LongFunction<Comparable<?>>> ids() {
    return Stream.of(
        BadgeId::new,
        CourseId::new,
        FactId::new,
        FlagId::new,
        GroupId::new,
        ModuleId::new,
        OutcomeId::new,
        PersonId::new,
        PostId::new,
        RubricId::new,
        ScaleId::new,
        SessionId::new,
        StepId::new);
  }

  @ParameterizedTest
  @MethodSource("ids")
  void an_id_is_positive_and_written_as_its_number(LongFunction<Comparable<?>> id) {
    assertThat(id.apply(1)).hasToString("1");
    assertThatThrownBy(() -> id.apply(0)).isInstanceOf(Refusal.class).hasMessageContaining("0");
  }

  @ParameterizedTest
  @MethodSource("ids")
  @SuppressWarnings("unchecked")
  void ids_sort_by_their_number_and_not_by_how_it_is_written(LongFunction<Comparable<?>> id) {
    var nine = (Comparable<Object>) id.apply(9);
    assertThat(nine.compareTo(id.apply(10))).isNegative();
    assertThat(nine.compareTo(id.apply(8))).isPositive();
    assertThat(nine.compareTo(id.apply(9))).isZero();
  }
}
