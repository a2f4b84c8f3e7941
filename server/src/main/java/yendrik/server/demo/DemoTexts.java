package yendrik.server.demo;

import java.util.List;
import java.util.Map;
import java.util.Random;

/** What the demo's people write; what they hand in and post is formatted. */
final class DemoTexts {
  private static final Map<String, List<String>> WORK =
      Map.of(
          "fault-report",
          List.of(
              "<p>Your bicycle is safe to ride home slowly, not more. The front brake pads are worn past their grooves; that has to be done now, 18 with fitting. The headset is a little loose, ten minutes, 9. The chain is at half a percent and can wait two months. The rear tyre has small cuts and no bulges: look at it again in spring. Ready tomorrow at five.</p>",
              "<p>I read bicycle 7 from front to back. Front wheel 2 mm out of true, left crank arm loose, rear brake drags. The crank has to be done now, since it can come off. Wheel and brake together take forty minutes, 32. The chain is fine. I would do all three today.</p>"),
          "job-card",
          List.of(
              "<p>Parts: cable, four pads. Torque: anchor 6 Nm, pads 5 Nm. Before: lever touched the bar. After: stops the wheel at a third of its travel, no squeal after toe-in. Rider: squeeze the lever before each ride; if it comes closer to the bar, turn the barrel out one turn.</p>",
              "<h3>Front</h3><ul><li>Two pads, one cable, one end cap</li><li>Anchor bolt 6 Nm, pad bolts 5 Nm</li></ul><h3>Rear</h3><ul><li>One pair of disc pads, rotor cleaned</li><li>Caliper bolts 7 Nm</li></ul><table><tbody><tr><th>Lever travel</th><th>Before</th><th>After</th></tr><tr><td>Front</td><td>48 mm</td><td>22 mm</td></tr><tr><td>Rear</td><td>31 mm</td><td>20 mm</td></tr></tbody></table><p><strong>For the rider:</strong> wipe the rim when it is wet and black, and come back when the grooves in the pads are gone.</p>"),
          "wheel-note",
          List.of(
              "<p>Rear wheel, 32 spokes. Out 2.5 mm to the right at spokes 7 to 11, 0.8 mm high at 20. Right side loosened a quarter at four nipples, left side tightened a quarter at four. Now 0.4 mm sideways, 0.6 mm up and down, dish in the middle.</p>"),
          "estimate",
          List.of(
              "<p>Needed now: brake pads front and rear, chain and cassette, since at 0.9 percent the sprockets are worn with it. Can wait: nothing of this. Front wheel trued while it is here. Two and a half hours, parts 74, work 95. Ready on Thursday at five.</p>"));
  private static final List<String> POSTS =
      List.of(
          "I heard a click at every turn of the cranks. It was the pedal.",
          "Today the wheel ran true at the first try, and I know why.");
  private static final List<String> PRAISE =
      List.of(
          "Clear and complete. You say what can wait, which riders thank you for.",
          "Good reading. Next time say how you measured it.",
          "Right order, right words. Add the torque you used.",
          "A rider would understand every line of this.");
  private static final List<String> SEEN =
      List.of(
          "Calm hands, tools back in their place.",
          "Clean work. Said each adjustment before making it.",
          "Took two tries at the cable, then right.",
          "Done without a hint.");

  private DemoTexts() {}

  static String work(String key, Random random) {
    return pick(
        WORK.getOrDefault(key, List.of("<p>What I did, in order, with what I measured.</p>")),
        random);
  }

  static String post(Random random) {
    return "<p>" + pick(POSTS, random) + "</p>";
  }

  static String praise(Random random) {
    return pick(PRAISE, random);
  }

  static String seen(Random random) {
    return pick(SEEN, random);
  }

  private static String pick(List<String> from, Random random) {
    return from.get(random.nextInt(from.size()));
  }
}
