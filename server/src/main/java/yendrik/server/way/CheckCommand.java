package yendrik.server.way;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.ExitCodeGenerator;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import yendrik.core.id.EnrolmentId;

/** {@code ./yendrik check}: says on the terminal who differs and how, and repairs if asked to. */
@Component
@ConditionalOnProperty("yendrik.check")
class CheckCommand implements ApplicationRunner, ExitCodeGenerator {
  private final CheckState check;
  private final boolean repair;
  private int exitCode;

  CheckCommand(CheckState check, @Value("${yendrik.check.repair:false}") boolean repair) {
    this.check = check;
    this.repair = repair;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    CheckState.Found found =
        check.all(
            repair,
            new CheckState.Listener() {
              @Override
              public void differs(EnrolmentId enrolment, List<String> how) {
                say("enrolment " + enrolment);
                how.forEach(line -> say("  " + line));
              }

              @Override
              public void checked(int learners) {
                if (learners % 1000 == 0) say(learners + " learners checked");
              }
            });
    say(
        found.learners()
            + " learners checked, "
            + found.differing()
            + " differ"
            + (repair ? ", " + found.repaired() + " repaired" : ""));
    exitCode = found.differing() == found.repaired() ? 0 : 1;
  }

  private static void say(String line) {
    System.out.println(line);
  }

  @Override
  public int getExitCode() {
    return exitCode;
  }
}
