package yendrik.core.course;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import yendrik.core.id.CourseId;

class PrerequisitesTest {
  private static final CourseId INDUCTION = new CourseId(1);
  private static final CourseId TUBES = new CourseId(2);

  private static Set<CourseId> missing(boolean all, CourseId... completed) {
    return new Prerequisites(Set.of(INDUCTION, TUBES), all, /* hold= */ false)
        .missing(Set.of(completed));
  }

  @Test
  void all_of_them_keep_somebody_out_until_the_last_is_complete() {
    assertThat(missing(true)).containsExactlyInAnyOrder(INDUCTION, TUBES);
    assertThat(missing(true, INDUCTION)).containsExactly(TUBES);
    assertThat(missing(true, INDUCTION, TUBES)).isEmpty();
  }

  @Test
  void any_of_them_is_enough_where_one_would_do() {
    assertThat(missing(false)).containsExactlyInAnyOrder(INDUCTION, TUBES);
    assertThat(missing(false, TUBES)).isEmpty();
  }

  @Test
  void nothing_is_missing_where_nothing_is_asked_for() {
    assertThat(Prerequisites.NONE.missing(Set.of())).isEmpty();
    assertThat(new Prerequisites(Set.of(), false, true).missing(Set.of())).isEmpty();
  }
}
