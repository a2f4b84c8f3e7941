package yendrik.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

@AnalyzeClasses(packages = "yendrik.server", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  @ArchTest
  static final ArchRule features_form_no_circles =
      slices().matching("yendrik.server.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule rooms_do_not_know_each_other =
      slices().matching("yendrik.server.kinds.(*)..").should().notDependOnEachOther();

  @ArchTest
  static final ArchRule the_clock_is_injected =
      noClasses()
          .should()
          .callMethod(Instant.class, "now")
          .orShould()
          .callMethod(System.class, "currentTimeMillis");

  @ArchTest
  static final ArchRule zones_are_those_of_courses_and_never_the_machines =
      noClasses()
          .should()
          .callMethod(Clock.class, "systemDefaultZone")
          .orShould()
          .callMethod(ZoneId.class, "systemDefault");

  @ArchTest
  static final ArchRule only_threads_of_their_own_sleep =
      noClasses()
          .that()
          .resideOutsideOfPackages("..live..", "..jobs..")
          .should()
          .callMethod(Thread.class, "sleep", long.class)
          .orShould()
          .callMethod(Thread.class, "sleep", Duration.class);
}
