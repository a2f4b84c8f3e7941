package yendrik.server.wording;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.EnumMap;
import java.util.Map;
import yendrik.core.words.Moment;
import yendrik.core.words.OwnWords;

/** Own words, a field for each moment, empty where it is said as elsewhere. */
record WordsEdit(
    @NotNull @Size(max = OwnWords.MOST) String handedIn,
    @NotNull @Size(max = OwnWords.MOST) String waiting,
    @NotNull @Size(max = OwnWords.MOST) String passed,
    @NotNull @Size(max = OwnWords.MOST) String again,
    @NotNull @Size(max = OwnWords.MOST) String done,
    @NotNull @Size(max = OwnWords.MOST) String completed) {

  static WordsEdit of(OwnWords words) {
    return new WordsEdit(
        text(words, Moment.HANDED_IN),
        text(words, Moment.WAITING),
        text(words, Moment.PASSED),
        text(words, Moment.AGAIN),
        text(words, Moment.DONE),
        text(words, Moment.COMPLETED));
  }

  private static String text(OwnWords words, Moment moment) {
    return words.texts().getOrDefault(moment, "");
  }

  OwnWords words() {
    Map<Moment, String> texts = new EnumMap<>(Moment.class);
    for (Moment moment : Moment.values())
      texts.put(
          moment,
          switch (moment) {
            case HANDED_IN -> handedIn;
            case WAITING -> waiting;
            case PASSED -> passed;
            case AGAIN -> again;
            case DONE -> done;
            case COMPLETED -> completed;
          });
    return new OwnWords(texts).checked();
  }
}
