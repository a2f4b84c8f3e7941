package yendrik.core.quiz.kinds.gaps;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Typed;
import yendrik.core.words.Phrase;

/**
 * A text with gaps. A gap is written in square brackets, with the forms that it takes and a bar
 * between them: {@code Tighten it to [6|six] Nm.} Two brackets that open are one that is shown. How
 * words fit a form is said by {@link Typed}. Each gap that is filled rightly gives an equal share.
 *
 * <p>Of 3 points, with three gaps: two filled rightly give 2; none gives 0.
 *
 * @param source as it was written
 * @param withCase whether large and small letters are told apart
 */
public record GapText(String source, boolean withCase) implements Asked<Filled> {
  /** A gap, by the forms that it takes. */
  public record Gap(List<String> forms) {
    public Gap {
      forms = List.copyOf(forms);
    }
  }

  /**
   * A text taken apart.
   *
   * @param around the words before, between and behind the gaps: one more than there are gaps
   */
  private record Apart(List<String> around, List<Gap> gaps) {}

  /** What a text with gaps may lack. */
  public enum Lacks implements Lack {
    GAPS,
    FORMS,
    ALL;

    @Override
    public Phrase words() {
      return Phrase.of("lack.gaps." + name());
    }
  }

  private Apart apart() {
    List<String> around = new ArrayList<>();
    List<Gap> gaps = new ArrayList<>();
    StringBuilder words = new StringBuilder();
    int at = 0;
    while (at < source.length()) {
      char sign = source.charAt(at);
      int end = source.indexOf(']', at);
      if (sign == '[' && source.startsWith("[[", at)) {
        words.append('[');
        at += 2;
      } else if (sign == '[' && end > 0) {
        around.add(words.toString());
        words.setLength(0);
        List<String> forms = new ArrayList<>();
        for (String form : source.substring(at + 1, end).split("\\|", -1)) forms.add(form.strip());
        gaps.add(new Gap(forms));
        at = end + 1;
      } else {
        words.append(sign);
        at++;
      }
    }
    around.add(words.toString());
    return new Apart(around, gaps);
  }

  /** The words before, between and behind the gaps: one more than there are gaps. */
  public List<String> around() {
    return apart().around();
  }

  /** The gaps in their order. */
  public List<Gap> gaps() {
    return apart().gaps();
  }

  /** Whether words fill a gap rightly. */
  public boolean fills(Gap gap, String words) {
    return !words.isBlank() && gap.forms().stream().anyMatch(f -> Typed.fits(f, words, withCase));
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.GAPS;
  }

  @Override
  public Class<Filled> answers() {
    return Filled.class;
  }

  @Override
  public Mark mark(Filled answer) {
    List<Gap> gaps = gaps();
    if (gaps.isEmpty()) return Mark.NOTHING;
    int right = 0;
    for (int n = 0; n < Math.min(gaps.size(), answer.words().size()); n++)
      if (fills(gaps.get(n), answer.words().get(n))) right++;
    return new Mark.Marked((double) right / gaps.size());
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    List<String> forms = gaps().stream().flatMap(g -> g.forms().stream()).toList();
    if (forms.isEmpty()) all.add(Lacks.GAPS);
    if (forms.stream().anyMatch(String::isBlank)) all.add(Lacks.FORMS);
    if (forms.stream().anyMatch(Typed::takesAnything)) all.add(Lacks.ALL);
    return all;
  }
}
