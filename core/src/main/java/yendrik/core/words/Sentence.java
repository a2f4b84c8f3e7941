package yendrik.core.words;

/**
 * A question of a rule in words.
 *
 * @param subject what staff read first, such as a step's name; empty when the rule's own thing is
 *     meant
 * @param says what must be so, for staff: "scored 60 % or more"
 * @param toDo what is still to do, for the learner, after "when you": "score 60 % or more in
 *     “Pads”"
 * @param did the same once it is so, a whole clause for the learner: "you scored 60 % or more …"
 */
public record Sentence(String subject, String says, String toDo, String did) {
  /**
   * A sentence about what the learner does.
   *
   * @param did without its "you"
   */
  public static Sentence you(String subject, String says, String toDo, String did) {
    return new Sentence(subject, says, toDo, "you " + did);
  }

  /** Subject and statement in one line, for staff. */
  public String line() {
    return subject.isEmpty() ? says : subject + " " + says;
  }
}
