package yendrik.core.words;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A question of a rule that has not been said in any language yet. The catalogue has three
 * sentences for it: {@code .says} what must be so, for staff ("scored 60 % or more"); {@code
 * .to-do} what is still to do, for the learner, after "when you" ("score 60 % or more in “Pads”");
 * {@code .did} the same once it is so, a whole clause for the learner ("you scored 60 % or more
 * …").
 *
 * @param subject what staff read first, such as a step's name; {@link Phrase#NONE} when the rule's
 *     own thing is meant
 * @param with what stands in all three
 */
public record Question(Phrase subject, String key, Map<String, Object> with) {
  /**
   * {@code Question.of(step, "ask.attempted", "n", 2)}.
   *
   * @param with names and values in turn
   */
  public static Question of(Phrase subject, String key, Object... with) {
    return new Question(subject, key, Phrase.of(key, with).with());
  }

  /** What must be so, for staff. */
  public Phrase says() {
    return new Phrase(key + ".says", with);
  }

  public Phrase toDo() {
    return new Phrase(key + ".to-do", with);
  }

  public Phrase did() {
    return new Phrase(key + ".did", with);
  }

  /** Subject and statement in one line, for staff. */
  public Phrase line() {
    if (subject.isNone()) return says();
    Map<String, Object> line = new LinkedHashMap<>();
    line.put("subject", subject);
    line.put("says", says());
    return new Phrase("ask.line", line);
  }
}
