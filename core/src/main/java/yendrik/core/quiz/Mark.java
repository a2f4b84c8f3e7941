package yendrik.core.quiz;

import yendrik.core.Refusal;

/** What becomes of an answer. */
public sealed interface Mark {
  /** Nothing is to be had for it. */
  Mark NOTHING = new Marked(0);

  /** The whole is to be had for it. */
  Mark WHOLE = new Marked(1);

  /** It is marked. The share of the question's points, from 0 to 1. */
  record Marked(double share) implements Mark {
    /**
     * @throws Refusal if the share is not from 0 to 1
     */
    public Marked {
      if (!(share >= 0 && share <= 1)) throw new Refusal("share", "share", share);
    }
  }

  /** Staff mark it; until then it gives nothing. */
  record ForStaff() implements Mark {}
}
