package yendrik.core.quiz.kinds.choice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.ChoiceLack;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Mark;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Shown;

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
   * @param feedback said to who has chosen it, may be empty
   */
  public record Choice(String id, Shown shown, String feedback) {
    /** In plain words, without feedback. */
    public Choice(String id, String text) {
      this(id, Shown.of(text), "");
    }

    public String text() {
      return shown.text();
    }
  }

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

  /** A choice; none when there is no such choice. */
  public Optional<Choice> choice(String choice) {
    return choices.stream().filter(c -> c.id().equals(choice)).findFirst();
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
