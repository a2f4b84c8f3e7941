package yendrik.core.quiz.kinds.brief;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.Refusal;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Typed;
import yendrik.core.words.Phrase;

/**
 * A few words that are typed, with the forms that are taken and what each of them gives. How words
 * fit a form is said by {@link Typed}. Of several forms that fit, the best gives its share.
 *
 * <p>With {@code toe-in} for all and {@code toe*} for half of 2 points, case not counting: "Toe-in
 * " gives 2, "toe out" gives 1, "squeal" gives 0.
 *
 * @param withCase whether large and small letters are told apart
 */
public record WordsWanted(List<Form> forms, boolean withCase) implements Asked<WordsGiven> {
  public WordsWanted {
    forms = List.copyOf(forms);
  }

  /**
   * A form that is taken.
   *
   * @param share what it gives, above 0 and at most 1
   */
  public record Form(String words, double share) {
    /**
     * @throws Refusal if the share is not above 0 and at most 1
     */
    public Form {
      if (!(share > 0 && share <= 1)) throw new Refusal("form-share", "share", share);
    }
  }

  /** What a question for words may lack. */
  public enum Lacks implements Lack {
    FORMS,
    WHOLE,
    ALL;

    @Override
    public Phrase words() {
      return Phrase.of("lack.words." + name());
    }
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.SHORT;
  }

  @Override
  public Class<WordsGiven> answers() {
    return WordsGiven.class;
  }

  @Override
  public Mark mark(WordsGiven answer) {
    return new Mark.Marked(
        forms.stream()
            .filter(f -> Typed.fits(f.words(), answer.words(), withCase))
            .mapToDouble(Form::share)
            .max()
            .orElse(0));
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    boolean blank = forms.stream().anyMatch(f -> f.words().isBlank());
    if (forms.isEmpty() || blank) all.add(Lacks.FORMS);
    if (!forms.isEmpty() && forms.stream().noneMatch(f -> f.share() == 1)) all.add(Lacks.WHOLE);
    if (forms.stream().anyMatch(f -> Typed.takesAnything(f.words()))) all.add(Lacks.ALL);
    return all;
  }
}
