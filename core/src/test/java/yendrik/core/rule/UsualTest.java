package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.StepKind;
import yendrik.core.id.StepId;
import yendrik.core.rule.check.References;
import yendrik.core.rule.copy.Usual;
import yendrik.core.rule.words.Proposals;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.words.Catalogue;

/** What is usual for a kind, as rules about a sample of it. */
class UsualTest {
  private static final StepId PAGE = Usual.sample(StepKind.PAGE);

  @Test
  void the_numbers_of_samples_keep_their_meaning_for_good() {
    assertThat(Arrays.stream(StepKind.values()).map(StepKind::stored))
        .startsWith(
            "PAGE",
            "VIDEO",
            "QUIZ",
            "ASSIGNMENT",
            "PRACTICAL",
            "NOTE",
            "FILE",
            "LINK",
            "DISCUSSION",
            "JOURNAL",
            "CLOSING");
    assertThat(PAGE.value()).isEqualTo(9_000_000_000_000_000L);
    assertThat(Usual.sample(StepKind.CLOSING).value()).isEqualTo(9_000_000_000_000_010L);
    for (StepKind kind : StepKind.values())
      assertThat(Usual.kindOf(Usual.sample(kind))).contains(kind);
    assertThat(Usual.kindOf(ANATOMY)).isEmpty();
    assertThat(Usual.kindOf(new StepId(Long.MAX_VALUE))).isEmpty();
  }

  @Test
  void what_asks_about_the_sample_asks_about_the_step_it_is_given_to_and_nothing_else_changes() {
    Condition opens = ask(new SeenLeaf.Seen(ANATOMY));
    Condition done =
        all(ask(new ConfirmLeaf.Confirmed(PAGE)), after(2, ask(new SeenLeaf.Seen(ANATOMY))));
    Usual given = new Usual(Optional.of(opens), done).about(StepKind.PAGE, FILM);
    assertThat(given.opensWhen()).contains(opens);
    assertThat(leaves(given.doneWhen()))
        .containsExactly(new ConfirmLeaf.Confirmed(FILM), new SeenLeaf.Seen(ANATOMY));
  }

  private static List<Leaf> leaves(Condition rule) {
    return rule.nodes()
        .filter(Condition.Ask.class::isInstance)
        .map(n -> ((Condition.Ask) n).leaf())
        .toList();
  }

  @Test
  void what_ships_is_usual_until_a_course_says_something_else() {
    for (StepKind kind : StepKind.values()) {
      Usual shipped = Usual.shipped(kind, COURSE);
      assertThat(shipped.like(Usual.shipped(kind, COURSE))).isTrue();
      assertThat(shipped.opensWhen().isPresent()).isEqualTo(kind == StepKind.CLOSING);
    }
    Usual page = Usual.shipped(StepKind.PAGE, COURSE);
    assertThat(page.like(new Usual(Optional.empty(), ask(new ConfirmLeaf.Confirmed(PAGE)))))
        .isFalse();
  }

  @Test
  void a_design_with_a_sample_is_sound_and_knows_it_alone() {
    for (StepKind kind : StepKind.values()) {
      CourseDesign with = Usual.with(design(), kind);
      assertThat(References.check(with)).isEmpty();
      assertThat(with.step(Usual.sample(kind)).orElseThrow().kind()).isEqualTo(kind);
      assertThat(with.steps()).hasSize(design().steps().toList().size() + 1);
    }
  }

  @Test
  void proposals_ask_about_the_sample_only_where_it_is_done_and_never_about_its_module() {
    CourseDesign with = Usual.with(design(), StepKind.PAGE);
    assertThat(proposed(with, new RuleAt.StepDone(PAGE), "read"))
        .first()
        .isEqualTo(new SeenLeaf.Seen(PAGE));
    assertThat(proposed(with, new RuleAt.StepOpens(PAGE), "read"))
        .isNotEmpty()
        .doesNotContain(new SeenLeaf.Seen(PAGE));
    assertThat(proposed(with, new RuleAt.StepOpens(PAGE), "module finished"))
        .containsExactly(new Leaf.ModuleDone(BRAKES));
  }

  private static List<Leaf> proposed(CourseDesign design, RuleAt at, String typed) {
    return new Proposals(design, at, LocalDate.of(2026, 11, 20), Catalogue.english())
        .forText(typed, 50).stream().map(Proposals.Proposal::leaf).toList();
  }
}
