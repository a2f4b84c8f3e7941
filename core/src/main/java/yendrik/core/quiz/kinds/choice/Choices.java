package yendrik.core.quiz.kinds.choice;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.ChoiceLack;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;

/**
 * Some choices, of which one is right.
 *
 * @param right the id of the right choice
 */
public record Choices(List<Choice> choices, String right) implements Asked<Chosen> {
  public Choices {
    choices = List.copyOf(choices);
  }

  /**
   * @param id unique in the question
   */
  public record Choice(String id, String text) {}

  @Override
  public QuestionKind kind() {
    return QuestionKind.CHOICE;
  }

  @Override
  public Class<Chosen> answers() {
    return Chosen.class;
  }

  @Override
  public Mark mark(Chosen answer) {
    return answer.choice().equals(right) ? Mark.WHOLE : Mark.NOTHING;
  }

  /** The words of a choice; empty when there is no such choice. */
  public String text(String choice) {
    return choices.stream()
        .filter(c -> c.id().equals(choice))
        .map(Choice::text)
        .findFirst()
        .orElse("");
  }

  @Override
  public List<Lack> lacks() {
    List<Lack> all = new ArrayList<>();
    if (choices.size() < 2) all.add(ChoiceLack.CHOICES);
    if (choices.stream().anyMatch(c -> c.text().isBlank())) all.add(ChoiceLack.WORDS);
    if (choices.stream().noneMatch(c -> c.id().equals(right))) all.add(ChoiceLack.RIGHT);
    return all;
  }
}
