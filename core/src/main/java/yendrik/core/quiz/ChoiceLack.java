package yendrik.core.quiz;

import yendrik.core.words.Phrase;

/** What a question with choices may lack, however many of them are right. */
public enum ChoiceLack implements Lack {
  CHOICES,
  WORDS,
  RIGHT;

  @Override
  public Phrase words() {
    return Phrase.of("lack.choice." + name());
  }
}
