package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yendrik.core.id.BadgeId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.rule.check.Fault;
import yendrik.core.rule.words.Faults;

/** What is wrong with a design is said with where it is and what to do. */
class FaultsTest {
  private final Faults faults = new Faults(design());

  private static Fault fault(Fault.Code code, RuleAt at) {
    var arguments = Map.of("outcome", "BRAKE", "n", "3", "parts", "2");
    return new Fault(code, at, Optional.empty(), arguments);
  }

  @ParameterizedTest
  @EnumSource(Fault.Code.class)
  void every_fault_is_a_sentence_that_begins_with_its_place_and_ends_with_what_to_do(
      Fault.Code code) {
    assertThat(ENGLISH.say(faults.sentence(fault(code, new RuleAt.StepOpens(PADS)))))
        .startsWith("Opens when of “Pads, cables, levers” ")
        .matches(".+\\. (Take|Choose|Lower|Fill|Tie|Write) .+\\.")
        .doesNotContain("null");
  }

  @Test
  void figures_and_outcomes_stand_in_the_sentence() {
    assertThat(
            ENGLISH.say(
                faults.sentence(fault(Fault.Code.TOO_FEW_PARTS, new RuleAt.CourseComplete()))))
        .isEqualTo(
            "Complete when wants at least 3 of 2 conditions. Lower the number or add conditions.");
    assertThat(
            ENGLISH.say(
                faults.sentence(fault(Fault.Code.UNKNOWN_LEVEL, new RuleAt.StepDone(PADS)))))
        .isEqualTo(
            "Done when of “Pads, cables, levers” asks for a level that the scale of BRAKE does not"
                + " have. Choose another.");
  }

  @Test
  void every_place_is_named_and_one_that_is_gone_is_said_to_be_something() {
    assertThat(ENGLISH.say(faults.place(new RuleAt.ModuleOpens(BRAKES))))
        .isEqualTo("Opens when of “Brakes”");
    assertThat(ENGLISH.say(faults.place(new RuleAt.ModuleDone(BRAKES))))
        .isEqualTo("Done when of “Brakes”");
    assertThat(ENGLISH.say(faults.place(new RuleAt.BadgeEarned(BRAKE_HAND))))
        .isEqualTo("Earned when of “Brake Hand”");
    assertThat(ENGLISH.say(faults.place(new RuleAt.OutcomeMade(BRAKE))))
        .isEqualTo("Outcome “BRAKE”");
    var flag = design().flags().get(1);
    assertThat(ENGLISH.say(faults.place(new RuleAt.FlagRaised(flag.id()))))
        .isEqualTo("Flag when of “" + flag.name() + "”");
    assertThat(ENGLISH.say(faults.place(new RuleAt.StepDone(new StepId(77)))))
        .isEqualTo("Done when of a step");
    assertThat(ENGLISH.say(faults.place(new RuleAt.ModuleDone(new ModuleId(77)))))
        .isEqualTo("Done when of a module");
    assertThat(ENGLISH.say(faults.place(new RuleAt.BadgeEarned(new BadgeId(77)))))
        .isEqualTo("Earned when of a badge");
    assertThat(ENGLISH.say(faults.place(new RuleAt.OutcomeMade(new OutcomeId(77)))))
        .isEqualTo("Outcome that is gone");
    assertThat(ENGLISH.say(faults.place(new RuleAt.FlagRaised(new FlagId(77)))))
        .isEqualTo("Flag when of a flag");
  }
}
