package yendrik.core.quiz.kinds.brief;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yendrik.core.Refusal;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.words.Phrase;

/**
 * A few words that are typed, with the forms that are taken and what each of them gives. A star in
 * a form stands for any letters, also none; a question mark is just that. Spaces at both ends never
 * count, and several in the middle are one; letters are compared in their composed form (Unicode
 * NFKC), so that it does not matter how an accent was typed. Of several forms that fit, the best
 * gives its share.
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
    String given = plain(answer.words());
    return new Mark.Marked(
        forms.stream()
            .filter(f -> fits(plain(f.words()), given))
            .mapToDouble(Form::share)
            .max()
            .orElse(0));
  }

  private String plain(String words) {
    String one =
        Normalizer.normalize(words, Normalizer.Form.NFKC).replaceAll("[\\p{Z}\\s]+", " ").strip();
    return withCase ? one : one.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT);
  }

  /**
   * Whether words fit a form with stars, in time that grows with the product of both lengths and
   * not faster: the last star that was met is tried one letter further each time.
   */
  private static boolean fits(String form, String given) {
    int f = 0;
    int g = 0;
    int star = -1;
    int from = 0;
    while (g < given.length()) {
      if (f < form.length() && form.charAt(f) == '*') {
        star = f++;
        from = g;
      } else if (f < form.length() && form.charAt(f) == given.charAt(g)) {
        f++;
        g++;
      } else if (star >= 0) {
        f = star + 1;
        g = ++from;
      } else return false;
    }
    while (f < form.length() && form.charAt(f) == '*') f++;
    return f == form.length();
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    boolean blank = forms.stream().anyMatch(f -> f.words().isBlank());
    if (forms.isEmpty() || blank) all.add(Lacks.FORMS);
    if (!forms.isEmpty() && forms.stream().noneMatch(f -> f.share() == 1)) all.add(Lacks.WHOLE);
    if (forms.stream().anyMatch(f -> !f.words().isBlank() && f.words().matches("[*\\s]+")))
      all.add(Lacks.ALL);
    return all;
  }
}
