package yendrik.core.quiz.kinds.numeric;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.words.Phrase;

/**
 * A number, right within a tolerance on both sides of it, whose ends belong to it. It is reckoned
 * with the numbers as they are written, so that 12.5 is within 12 ± 0.5 and 0.3 within 0.1 ± 0.2.
 *
 * <p>12 ± 0.5 takes 11.5, 12 and 12.5, and neither 11.49 nor 12.51; 200 ± 5 % takes 190 to 210.
 *
 * @param number finite
 * @param tolerance 0 or above
 * @param percent whether the tolerance is percent of the number
 * @param unit said behind the number, may be empty; it is no part of what is answered
 */
public record NumberWanted(double number, double tolerance, boolean percent, String unit)
    implements Asked<NumberGiven> {
  /** What a question for a number may lack. */
  public enum Lacks implements Lack {
    NUMBER,
    TOLERANCE;

    @Override
    public Phrase words() {
      return Phrase.of("lack.number." + name());
    }
  }

  @Override
  public QuestionKind kind() {
    return QuestionKind.NUMERIC;
  }

  @Override
  public Class<NumberGiven> answers() {
    return NumberGiven.class;
  }

  @Override
  public Mark mark(NumberGiven answer) {
    if (!lacks().isEmpty()) return Mark.NOTHING;
    BigDecimal off = BigDecimal.valueOf(answer.number()).subtract(BigDecimal.valueOf(number)).abs();
    return off.compareTo(most()) <= 0 ? Mark.WHOLE : Mark.NOTHING;
  }

  /** How far an answer may be off. */
  public BigDecimal most() {
    BigDecimal plain = BigDecimal.valueOf(tolerance);
    return percent ? BigDecimal.valueOf(number).abs().multiply(plain).movePointLeft(2) : plain;
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (!Double.isFinite(number)) all.add(Lacks.NUMBER);
    if (!(tolerance >= 0 && Double.isFinite(tolerance))) all.add(Lacks.TOLERANCE);
    return all;
  }
}
