package yendrik.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Clock;
import java.time.Instant;

@AnalyzeClasses(packages = "yendrik.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule core_is_plain_java =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideOutsideOfPackages("yendrik.core..", "java..", "org.jspecify..", "com.ibm.icu..");

  @ArchTest
  static final ArchRule only_the_catalogue_knows_how_messages_are_written =
      noClasses()
          .that()
          .resideOutsideOfPackage("yendrik.core.words")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("com.ibm.icu..");

  @ArchTest
  static final ArchRule packages_form_no_circles =
      slices().matching("yendrik.core.(**)").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule strands_do_not_know_each_other =
      slices().matching("yendrik.core.strand.(*)..").should().notDependOnEachOther();

  @ArchTest
  static final ArchRule kinds_of_questions_do_not_know_each_other =
      slices().matching("yendrik.core.quiz.kinds.(*)..").should().notDependOnEachOther();

  @ArchTest
  static final ArchRule rules_ask_strands_and_never_kinds =
      noClasses()
          .that()
          .resideInAnyPackage("yendrik.core.rule.plan..", "yendrik.core.strand..")
          .should()
          .dependOnClassesThat()
          .haveSimpleName("StepKind");

  @ArchTest
  static final ArchRule nobody_asks_the_machine_for_the_time =
      noClasses()
          .should()
          .callMethod(Instant.class, "now")
          .orShould()
          .callMethod(Clock.class, "systemUTC")
          .orShould()
          .callMethod(System.class, "currentTimeMillis");

  @ArchTest
  static final ArchRule arrows_between_the_stages_of_a_rule_point_one_way =
      noClasses()
          .that()
          .resideInAPackage("yendrik.core.rule.check..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "yendrik.core.rule.plan..", "yendrik.core.rule.words..", "yendrik.core.progress..");
}
