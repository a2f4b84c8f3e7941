package yendrik.formats.questions;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Hint;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;

/**
 * Questions in the layout of {@link QuestionText}, which reads them back as they were. What plain
 * text cannot say is not in it: how words look, and pictures.
 */
public final class WrittenText {
  private WrittenText() {}

  /** Whether the layout can say what a question asks; a picture it cannot show. */
  public static boolean says(Asked<?> asked) {
    return !(asked instanceof PlaceWanted);
  }

  /** Questions one after the other, with an empty line between them. */
  public static String of(List<QuestionText.Read> questions) {
    return questions.stream()
        .filter(read -> says(read.question().asked()))
        .map(WrittenText::one)
        .collect(Collectors.joining("\n\n", "", "\n"));
  }

  private static String one(QuestionText.Read read) {
    Question question = read.question();
    List<String> lines = new ArrayList<>(lines(question.text()));
    if (question.points() != 1 && !lines.isEmpty())
      lines.add(lines.removeLast() + " (" + plain(question.points()) + " points)");
    answers(lines, question.asked());
    for (String said : lines(question.feedback())) lines.add("! " + said);
    for (Hint hint : question.hints())
      lines.add("? " + hint.text() + (hint.cost() > 0 ? percent(hint.cost()) : ""));
    if (!read.tags().isEmpty()) lines.add("# " + String.join(", ", read.tags()));
    read.difficulty().ifPresent(d -> lines.add("* " + d.name().toLowerCase(Locale.ROOT)));
    return String.join("\n", lines);
  }

  private static List<String> lines(String text) {
    return text.lines().map(String::strip).filter(line -> !line.isEmpty()).toList();
  }

  private static void answers(List<String> lines, Asked<?> asked) {
    switch (asked) {
      case Choices(var choices, var right) -> {
        for (Choices.Choice c : choices)
          choice(lines, c.id().equals(right), c.text(), c.feedback());
      }
      case SeveralChoices(var choices) -> {
        for (SeveralChoices.Choice c : choices)
          choice(lines, c.right(), c.text() + percent(c.share()), c.feedback());
      }
      case Statement(var isTrue) -> lines.add("= " + isTrue);
      case NumberWanted number -> lines.add("= " + number(number));
      case WordsWanted(var forms, var _) -> {
        for (WordsWanted.Form f : forms)
          lines.add("= " + f.words() + (f.share() < 1 ? percent(f.share()) : ""));
      }
      case PairsWanted(var pairs, var more) -> {
        pairs.forEach(p -> lines.add(p.begins() + " -> " + p.ends()));
        more.forEach(end -> lines.add("-> " + end));
      }
      case OrderWanted(var things, var _) -> {
        for (int n = 0; n < things.size(); n++) lines.add(n + 1 + ". " + things.get(n).text());
      }
      case GapText gaps -> lines(gaps.source()).forEach(line -> lines.add("_ " + line));
      case TextWanted(var expected, var _) -> {
        lines.add("...");
        if (!expected.isBlank()) {
          lines.removeLast();
          lines(expected).forEach(line -> lines.add("... " + line));
        }
      }
      default -> throw new IllegalArgumentException("no layout for " + asked.kind());
    }
  }

  private static void choice(List<String> lines, boolean right, String text, String feedback) {
    lines.add((right ? "+ " : "- ") + text);
    lines(feedback).forEach(said -> lines.add(": " + said));
  }

  private static String number(NumberWanted wanted) {
    String text = plain(wanted.number());
    if (wanted.tolerance() > 0)
      text += " ± " + plain(wanted.tolerance()) + (wanted.percent() ? " %" : "");
    return wanted.unit().isEmpty() ? text : text + " " + wanted.unit();
  }

  private static String percent(double share) {
    return " (" + plain(BigDecimal.valueOf(share).movePointRight(2).doubleValue()) + " %)";
  }

  private static String plain(double number) {
    return BigDecimal.valueOf(number).stripTrailingZeros().toPlainString();
  }
}
