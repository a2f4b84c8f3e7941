package yendrik.core.strand;

import yendrik.core.words.Phrase;
import yendrik.core.words.Question;

/**
 * How a step is named in a question about it.
 *
 * @param subject what staff read first; {@link Phrase#NONE} where the rule is the step's own
 * @param it as what one does something to: the name in quotes, or "it"
 * @param itsOwn whether the rule is the step's own
 */
public record StepNames(Phrase subject, Phrase it, boolean itsOwn) {
  /** A step named by the rule of another thing. */
  public static StepNames of(Phrase name, Phrase quoted) {
    return new StepNames(name, quoted, /* itsOwn= */ false);
  }

  /** A step in a rule of its own. */
  public static StepNames own() {
    return new StepNames(Phrase.NONE, Phrase.of("step.it"), /* itsOwn= */ true);
  }

  /**
   * A question about the step, which stands in it as {@code step}.
   *
   * @param with more that stands in it, names and values in turn
   */
  public Question asks(String key, Object... with) {
    Question question = Question.of(subject, key, with);
    return new Question(subject, key, question.says().and("step", it).with());
  }
}
