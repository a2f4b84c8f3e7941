package yendrik.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static yendrik.core.rule.RuleTextTest.shape;

import java.util.concurrent.atomic.AtomicInteger;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import yendrik.core.course.CourseDesign;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.text.ReadRule;
import yendrik.core.rule.text.RuleReader;
import yendrik.core.rule.text.RuleWriter;

/** Whatever rules a course has, their text is read back to the same rules. */
class WrittenRulesTest {
  @Provide
  Arbitrary<RandomWorld> worlds() {
    return RandomWorld.anyWorld();
  }

  @Property(tries = 300)
  void read_back_to_the_same(@ForAll("worlds") RandomWorld world) {
    var n = new AtomicInteger();
    for (CourseDesign design : world.designs())
      Rules.of(design)
          .forEach((at, rule) -> {
            String text = RuleWriter.write(rule, design, at);
            ReadRule read =
                RuleReader.read(text, design, at, () -> new NodeId("t" + n.incrementAndGet()));
            assertThat(read).as(text).isInstanceOf(ReadRule.Sound.class);
            assertThat(shape(((ReadRule.Sound) read).rule())).as(text).isEqualTo(shape(rule));
          });
  }
}
