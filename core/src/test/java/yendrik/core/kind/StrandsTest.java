package yendrik.core.kind;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.signoff.SignOffStrand;
import yendrik.core.strand.work.WorkStrand;

class StrandsTest {
  private static final StepId STEP = new StepId(7);

  private static Set<Class<?>> all(Class<?> of) {
    return new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("yendrik.core")
            .stream()
            .filter(c -> c.isRecord() && c.isAssignableTo(of))
            .map(JavaClass::reflect)
            .collect(Collectors.toSet());
  }

  @Test
  void every_fact_of_a_strand_has_a_name_to_be_stored_under() {
    assertThat(Set.copyOf(Strands.facts().values())).isEqualTo(all(Fact.OfStrand.class));
  }

  @Test
  void every_question_of_a_strand_has_a_name_and_says_all_that_it_must() {
    assertThat(Set.copyOf(Strands.leaves().values())).isEqualTo(all(Leaf.OfStrand.class));
    assertThat(all(Leaf.OfStrand.class)).allMatch(StepLeaf.class::isAssignableFrom);
  }

  @Test
  void a_name_means_one_thing_only() {
    assertThat(Strands.ALL).extracting(Strand.Door::name).doesNotHaveDuplicates();
    assertThat(Strands.ALL.stream().flatMap(d -> d.facts().keySet().stream()))
        .doesNotHaveDuplicates();
    assertThat(Strands.ALL.stream().flatMap(d -> d.leaves().keySet().stream()))
        .doesNotHaveDuplicates();
  }

  @Test
  void every_kind_rests_on_strands_that_records_have() {
    for (StepKind kind : StepKind.values())
      assertThat(Strands.ALL).as(kind.name()).containsAll(Kinds.of(kind).strands());
  }

  @Test
  void what_a_new_step_asks_is_about_itself() {
    for (StepKind kind : StepKind.values()) {
      Leaf usual = Kinds.of(kind).usualDoneWhen(STEP);
      assertThat(usual).as(kind.name()).isInstanceOf(Leaf.OfStep.class);
      assertThat(((Leaf.OfStep) usual).step()).isEqualTo(STEP);
      assertThat(Kinds.of(kind).usualOffers(STEP))
          .as(kind.name())
          .extracting(o -> (Leaf) o.leaf())
          .contains(usual);
    }
  }

  @Test
  void kinds_that_are_judged_can_be_asked_for_a_score() {
    for (StepKind kind : StepKind.values()) {
      List<String> offered =
          Kinds.of(kind).offers(STEP, java.util.OptionalInt.of(60)).stream()
              .map(o -> o.leaf().getClass().getSimpleName())
              .toList();
      assertThat(offered.contains("Score")).as(kind.name()).isEqualTo(Kinds.of(kind).assesses());
      assertThat(offered).contains("TimeSpent");
    }
  }

  @Test
  void a_kind_judges_where_its_strands_hold_something_to_be_judged() {
    for (StepKind name : StepKind.values()) {
      Kind kind = Kinds.of(name);
      List<Strand.Door<?>> holds = kind.strands();
      boolean signedOff = holds.contains(SignOffStrand.DOOR);
      boolean work = holds.contains(WorkStrand.DOOR);
      assertThat(holds).as(name + " rests on something").isNotEmpty();
      assertThat(kind.assesses())
          .as(name + " assesses")
          .isEqualTo(signedOff || work || holds.contains(AttemptsStrand.DOOR));
      assertThat(kind.withStaff()).as(name + " is done with staff").isEqualTo(signedOff);
      boolean written = holds.contains(PostsStrand.DOOR);
      assertThat(kind.markedAsItStands()).as(name + " is marked as it stands").isEqualTo(written);
      assertThat(kind.handedIn())
          .as(name + " is handed in")
          .isEqualTo(work && !signedOff && !written);
      if (!kind.assesses()) assertThat(kind.usualScoring()).isEqualTo(Step.Scoring.NONE);
      if (kind.handedIn()) assertThat(kind.usualScoring().points()).isPositive();
    }
  }
}
