package yendrik.core.rule;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.Workshop.*;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import yendrik.core.CourseDesignBuilder;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.kind.Strands;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.text.ReadRule;
import yendrik.core.rule.text.RuleReader;
import yendrik.core.rule.text.RuleWriter;
import yendrik.core.rule.text.TextFault;
import yendrik.core.strand.marks.MarkLeaf;

public class RuleTextTest {
  private static final RuleAt OPENS = new RuleAt.StepOpens(PRACTICAL);
  private final CourseDesign design = design();

  private static Supplier<NodeId> fresh() {
    var n = new AtomicInteger();
    return () -> new NodeId("t" + n.incrementAndGet());
  }

  private String written(Condition rule) {
    return RuleWriter.write(rule, design, OPENS);
  }

  private static Condition read(String text, CourseDesign design, RuleAt at) {
    ReadRule read = RuleReader.read(text, design, at, fresh());
    assertThat(read).as(text).isInstanceOf(ReadRule.Sound.class);
    return ((ReadRule.Sound) read).rule();
  }

  private TextFault fault(String text) {
    ReadRule read = RuleReader.read(text, design, OPENS, fresh());
    assertThat(read).as(text).isInstanceOf(ReadRule.Faulty.class);
    return ((ReadRule.Faulty) read).fault();
  }

  private void fails(String text, int line, int column, String says) {
    TextFault fault = fault(text);
    assertThat(ENGLISH.say(fault.says())).contains(says);
    assertThat(fault.line() + ":" + fault.column()).as(text).isEqualTo(line + ":" + column);
  }

  /** The same rule with ids that follow from its shape alone. */
  public static String shape(Condition rule) {
    return switch (rule) {
      case Condition.Ask ask -> ask.leaf().toString();
      case Condition joint ->
          joint.getClass().getSimpleName()
              + joint.number()
              + joint.parts().stream().map(RuleTextTest::shape).toList();
    };
  }

  @Test
  void a_question_reads_as_what_it_asks() {
    assertThat(written(ask(new MarkLeaf.Score(PADS, 0.6, 1))))
        .isEqualTo("\"Pads, cables, levers\" scored 60 % to 100 %");
    assertThat(written(ask(new MarkLeaf.Passed(PRACTICAL)))).isEqualTo("this step passed");
    assertThat(written(ask(new Leaf.DaysSinceDone(PADS, 1))))
        .isEqualTo("\"Pads, cables, levers\" done 1 day ago");
    assertThat(written(ask(new Leaf.InARow(1, Rhythm.WEEKS)))).isEqualTo("here 1 week in a row");
    assertThat(written(ask(new Leaf.Approved(StaffKind.FACILITATOR))))
        .isEqualTo("approved by facilitator");
    assertThat(written(ask(new Leaf.InTime(Optional.of(START), Optional.empty()))))
        .isEqualTo("from 2026-10-12 09:00");
  }

  @Test
  void a_short_rule_is_one_line_and_a_long_one_has_a_line_for_each_part() {
    Condition either = any(ask(new Leaf.InGroup(SATURDAY)), ask(new Leaf.OwnWord()));
    assertThat(written(either)).isEqualTo("any of (in group \"Saturday\"; own word)");
    assertThat(
            written(
                all(
                    ask(new MarkLeaf.Passed(PADS)),
                    after(3, either),
                    atLeast(1, ask(new Leaf.StepDone(JOB_CARD)), ask(new Leaf.AtMastery(BRAKE))))))
        .isEqualTo(
            """
            all of (
              "Pads, cables, levers" passed;
              3 days after (any of (in group "Saturday"; own word));
              at least 1 of ("Brake job card" done; outcome "BRAKE" at mastery)
            )\
            """);
  }

  @Test
  void what_was_typed_by_hand_is_read_with_some_patience() {
    Condition read =
        read("ALL OF(“Pads, cables, levers” Passed ;\n\n in group \"saturday\";)", design, OPENS);
    assertThat(shape(read))
        .isEqualTo(shape(all(ask(new MarkLeaf.Passed(PADS)), ask(new Leaf.InGroup(SATURDAY)))));
    assertThat(shape(read("outcome \"Set up rim and disc brakes\" at mastery", design, OPENS)))
        .isEqualTo(new Leaf.AtMastery(BRAKE).toString());
    assertThat(shape(read("#" + PADS + " passed", design, OPENS)))
        .isEqualTo(new MarkLeaf.Passed(PADS).toString());
  }

  @Test
  void what_cannot_be_read_is_told_with_its_place() {
    fails("", 1, 1, "Nothing is written");
    fails("all of (own word", 1, 8, "not closed");
    fails("all of (\n  own word;\n  \"Padz\" passed\n)", 3, 4, "no step “Padz”");
    fails("module \"Breaks\" done", 1, 9, "no module “Breaks”");
    fails("\"Pads, cables, levers\" eaten", 1, 24, "‹step› passed");
    fails("\"Pads, cables, levers passed", 1, 1, "no closing quote");
    fails("some of (own word)", 1, 1, "all of, any of");
    fails("at least 3 of (own word; own word)", 1, 10, "3 of 2");
    fails("0 days after (own word)", 1, 1, "1 day or more");
    fails("2 days after (own word; own word)", 1, 14, "after one condition");
    fails("own word) and more", 1, 9, "has ended before");
    fails("outcome \"BRAKE\" at \"Superb\"", 1, 21, "On my own");
    fails("enrolled for 99999999999 days", 1, 14, "no whole number");
    fails("\"Pads, cables, levers\" scored 70 % to 60 %", 1, 1, "from 0.7 to 0.6");
    fails("from 2026-02-31 10:00", 1, 7, "no calendar");
    fails("enrolled for 1.5 days", 1, 14, "no whole number");
    fails("tomorrow", 1, 1, "No condition reads “tomorrow”");
    fails("all of ()", 1, 9, "A condition is missing");
    fails("one of #1.5", 1, 9, "no whole number");
    fails("one of #99999999999999999999", 1, 9, "no whole number");
    fails("one of #0", 1, 9, "");
    fails("one of #1, own", 1, 12, "one of");
    fails("\"" + "a".repeat(50_000) + "\" passed", 1, 2, "no step");
    fails("\"\"".repeat(25_000) + " passed", 1, 2, "no step");
    fails("course grade " + "9".repeat(5_000) + " %", 1, 1, "share");
  }

  @Test
  void this_step_is_no_step_where_there_is_none() {
    ReadRule read =
        RuleReader.read("this step passed", design, new RuleAt.CourseComplete(), fresh());
    assertThat(read).isInstanceOf(ReadRule.Faulty.class);
  }

  @Test
  void a_rule_goes_along_to_another_step_with_what_it_asks_of_its_own() {
    String text = written(ask(new MarkLeaf.Passed(PRACTICAL)));
    assertThat(shape(read(text, design, new RuleAt.StepDone(PADS))))
        .isEqualTo(new MarkLeaf.Passed(PADS).toString());
  }

  @Test
  void things_of_one_name_are_told_apart_by_their_numbers() {
    CourseDesign twice =
        CourseDesignBuilder.builder(design)
            .groups(Map.of(new GroupId(1), "A \"b\"", new GroupId(2), "A \"b\""))
            .build();
    Condition rule = ask(new Leaf.InGroup(new GroupId(2)));
    String text = RuleWriter.write(rule, twice, OPENS);
    assertThat(text).isEqualTo("in group \"A \"\"b\"\"\" #2");
    assertThat(shape(read(text, twice, OPENS))).isEqualTo(shape(rule));
    ReadRule which = RuleReader.read("in group \"A \"\"b\"\"\"", twice, OPENS, fresh());
    assertThat(ENGLISH.say(((ReadRule.Faulty) which).fault().says())).contains("#1").contains("#2");
  }

  @Test
  void moments_that_a_clock_shows_twice_are_told_apart() {
    for (String moment : List.of("2026-10-25T00:30:00Z", "2026-10-25T01:30:00Z")) {
      Condition rule = ask(new Leaf.InTime(Optional.empty(), Optional.of(Instant.parse(moment))));
      assertThat(shape(read(written(rule), design, OPENS))).isEqualTo(shape(rule));
    }
  }

  @Test
  void every_question_has_a_form_and_is_read_back() {
    List<Leaf> all =
        List.of(
            new Leaf.OneOf(Set.of(JUNO, new PersonId(77))),
            new Leaf.SessionAttended(FIRST_SATURDAY),
            new Leaf.CourseComplete(COURSE),
            new Leaf.CourseComplete(INDUCTION),
            new Leaf.HasLeft(),
            new Leaf.QuietFor(1),
            new Leaf.NeverStarted(3),
            new Leaf.Overdue(1),
            new Leaf.BehindBy(7),
            new Leaf.StuckFor(6),
            new Leaf.AttendanceUnder(1 / 3.0),
            new Leaf.NoEvidence(BRAKE, START.plusMillis(17)),
            new Leaf.QuizzesScored(Optional.empty(), 0.07),
            new Leaf.QuizzesScored(Optional.of(BRAKES), 0.29),
            new Leaf.RequiredOutOfReach());
    for (Leaf leaf : all)
      assertThat(shape(read(written(ask(leaf)), design, OPENS))).isEqualTo(leaf.toString());
  }

  @Test
  void no_question_of_a_strand_is_without_a_form() {
    Strands.leaves().values().forEach(leaf -> assertThat(forms()).contains(leaf.getSimpleName()));
  }

  /** What somebody can write is told where nothing can be made of what they wrote. */
  private List<String> forms() {
    List<String> all = new ArrayList<>();
    Stream.of("read", "open for 1 minute", "watched 50 %", "confirmed", "handed in", "marked")
        .forEach(end -> all.add(leafOf(end)));
    Stream.of("passed", "marked and not passed", "scored 1 % to 2 %", "tried 2 times")
        .forEach(end -> all.add(leafOf(end)));
    Stream.of("tried on 2 days", "improved by 5 %", "with 1 post", "with 2 replies", "signed off")
        .forEach(end -> all.add(leafOf(end)));
    return all;
  }

  private String leafOf(String end) {
    Condition.Ask ask = (Condition.Ask) read("\"Pads, cables, levers\" " + end, design, OPENS);
    return ask.leaf().getClass().getSimpleName();
  }

  @Provide
  Arbitrary<String> nonsense() {
    return Arbitraries.of(
            "all of",
            "any of",
            "(",
            ")",
            ";",
            "\"Saturday\"",
            "in group",
            "#",
            "3",
            "%",
            "own word",
            "days after",
            "\"",
            "“",
            "at least",
            "2026-01-01 10:00",
            "\n",
            "this step",
            "passed")
        .list()
        .ofMaxSize(12)
        .map(parts -> String.join(" ", parts));
  }

  @Property(tries = 1000)
  void no_text_is_answered_with_anything_but_a_rule_or_a_place(@ForAll("nonsense") String text) {
    ReadRule read = RuleReader.read(text, design, OPENS, fresh());
    if (read instanceof ReadRule.Faulty(var fault)) {
      assertThat(fault.line()).isBetween(1, 1 + (int) text.lines().count() + 1);
      assertThat(ENGLISH.say(fault.says())).isNotBlank();
    } else assertThat(read).isInstanceOf(ReadRule.Sound.class);
  }

  @Test
  void a_text_that_is_deep_beyond_sense_is_refused() {
    fails("any of (".repeat(5000), 1, 249, "too long, or too deep");
  }
}
