package yendrik.core.quiz.kinds.several;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.Refusal;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.ChoiceLack;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Shown;

/**
 * Some choices, of which several may be right. Each choice has a share: a right one's is above 0, a
 * wrong one's is 0, or below 0 where choosing it takes something away. The shares of what was
 * chosen are added up and divided by the sum of all right ones; what comes out below 0 is 0.
 *
 * <p>Of 4 points, with two right choices of 0.5 each and wrong ones of -0.5: one right gives 2; one
 * right and one wrong give 0; both right give 4; both right and one wrong give 2; two wrong give 0
 * and not -4.
 */
public record SeveralChoices(List<Choice> choices) implements Asked<SeveralChosen> {
  /** What lies so near to the whole is the whole: thirds do not add up to 1. */
  private static final double NEAR = 1e-9;

  public SeveralChoices {
    choices = List.copyOf(choices);
  }

  /**
   * @param id unique in the question
   * @param share from -1 to 1
   * @param feedback said to who has chosen it, may be empty
   */
  public record Choice(String id, Shown shown, double share, String feedback) {
    /**
     * @throws Refusal if the share is not from -1 to 1
     */
    public Choice {
      if (!(share >= -1 && share <= 1)) throw new Refusal("choice-share", "share", share);
    }

    /** In plain words, without feedback. */
    public Choice(String id, String text, double share) {
      this(id, Shown.of(text), share, "");
    }

    public String text() {
      return shown.text();
    }

    /** Whether it should be chosen. */
    public boolean right() {
      return share > 0;
    }
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.SEVERAL;
  }

  @Override
  public Class<SeveralChosen> answers() {
    return SeveralChosen.class;
  }

  @Override
  public Mark mark(SeveralChosen answer) {
    double whole = choices.stream().filter(Choice::right).mapToDouble(Choice::share).sum();
    double sum =
        choices.stream()
            .filter(c -> answer.choices().contains(c.id()))
            .mapToDouble(Choice::share)
            .sum();
    if (whole <= 0 || sum <= NEAR) return Mark.NOTHING;
    double share = sum / whole;
    return share >= 1 - NEAR ? Mark.WHOLE : new Mark.Marked(share);
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (choices.size() < 2) all.add(ChoiceLack.CHOICES);
    if (choices.stream().anyMatch(c -> c.text().isBlank())) all.add(ChoiceLack.WORDS);
    if (choices.stream().noneMatch(Choice::right)) all.add(ChoiceLack.RIGHT);
    return all;
  }
}
