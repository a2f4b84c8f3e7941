package yendrik.core.quiz;

import yendrik.core.words.Phrase;

/** Something that keeps a question from being asked. */
public interface Lack {
  /** As the end of a sentence that begins with the question: "asks nothing yet". */
  Phrase words();
}
