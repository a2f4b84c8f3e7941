package yendrik.formats.questions;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import yendrik.core.quiz.Difficulty;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Question;
import yendrik.core.words.Phrase;

/**
 * Questions written as plain text, in a layout of our own: one after the other with an empty line
 * between them. Each begins with what is asked; lines after it begin with a sign and a blank.
 *
 * <pre>
 * Which thread does a left pedal have? (2 points)
 * + Left-hand
 * : Yes, it would come loose otherwise.
 * - Right-hand
 * ! Left pedals come off clockwise.
 * ? Think of how the crank turns. (25 %)
 * # pedals, threads
 * * easy
 * </pre>
 *
 * <ul>
 *   <li>{@code +} a right choice and {@code -} a wrong one; several right ones share the points. A
 *       share in percent may stand behind a choice, {@code (50 %)}, or {@code (-50 %)} where it
 *       takes something away;
 *   <li>{@code :} said to who makes the choice above it;
 *   <li>{@code =} an answer to be typed: {@code = true} or {@code = false} of a statement, {@code =
 *       12 ± 0.5 Nm} or {@code = 200 ± 5 %} a number, else words, in as many forms as there are
 *       lines; a form that gives less says so, {@code = lock ring (50 %)};
 *   <li>{@code beginning -> end} what belongs together, and {@code -> end} what belongs to nothing;
 *   <li>{@code 1.}, {@code 2.} ... things in their right order;
 *   <li>{@code _} a text with gaps in square brackets, {@code [left|left-hand]};
 *   <li>{@code ...} a text is written and staff mark it; what a good one says may stand behind;
 *   <li>{@code !} said afterwards; {@code ?} a hint, with what it costs; {@code #} tags; {@code *}
 *       easy, middling or hard.
 * </ul>
 */
public final class QuestionText {
  /** The most questions that are read at once. */
  public static final int MOST = 200;

  /** Blanks say nothing; many of them would make reading a line slow. */
  private static final Pattern BLANKS = Pattern.compile("[\\s\\p{Z}]+");

  private QuestionText() {}

  /**
   * A question that was read.
   *
   * @param line at which it begins, from 1
   */
  public record Read(
      int line, Question question, List<String> tags, Optional<Difficulty> difficulty) {
    public Read {
      tags = List.copyOf(tags);
    }
  }

  /**
   * What is not right.
   *
   * @param line at which it is, from 1
   */
  public record Fault(int line, Phrase says) {}

  /**
   * What was understood. A question with a fault is among the faults only.
   *
   * @param faults in the order of their lines
   */
  public record Reading(List<Read> questions, List<Fault> faults) {
    public Reading {
      questions = List.copyOf(questions);
      faults = List.copyOf(faults);
    }
  }

  /** Reads questions. Whatever stands there, something is said about it. */
  public static Reading read(String text) {
    List<Read> questions = new ArrayList<>();
    List<Fault> faults = new ArrayList<>();
    List<String> block = new ArrayList<>();
    List<String> lines = new ArrayList<>(text.lines().toList());
    lines.add("");
    for (int n = 0; n < lines.size(); n++) {
      String line = BLANKS.matcher(lines.get(n)).replaceAll(" ").strip();
      if (!line.isEmpty()) block.add(line);
      else if (!block.isEmpty()) {
        read(n - block.size() + 1, block, questions, faults);
        block.clear();
      }
    }
    if (questions.size() > MOST)
      faults.add(
          new Fault(questions.get(MOST).line(), Phrase.of("question-text.too-many", "n", MOST)));
    return new Reading(questions, faults);
  }

  private static void read(int at, List<String> block, List<Read> questions, List<Fault> faults) {
    var reader = new OneQuestion(at);
    for (int n = 0; n < block.size(); n++) reader.take(at + n, block.get(n));
    List<Fault> wrong = new ArrayList<>(reader.faults());
    if (wrong.isEmpty()) {
      Read read = reader.read("q" + (questions.size() + 1));
      for (Lack lack : read.question().lacks())
        wrong.add(new Fault(at, Phrase.of("question-text.lacks", "lacks", lack.words())));
      if (wrong.isEmpty()) questions.add(read);
    }
    faults.addAll(wrong);
  }
}
