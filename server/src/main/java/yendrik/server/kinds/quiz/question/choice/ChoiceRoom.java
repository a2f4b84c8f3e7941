package yendrik.server.kinds.quiz.question.choice;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.choice.Chosen;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/** Questions of which one choice is right. */
@Component
class ChoiceRoom extends QuestionRoom<Choices, Chosen, ChoicesWritten, ChoicesAsked, ChoiceGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  ChoiceRoom() {
    super(
        QuestionKind.CHOICE,
        Choices.class,
        Chosen.class,
        ChoicesWritten.class,
        ChoicesAsked.class,
        ChoiceGiven.class);
  }

  /** As choices are kept. */
  private record KeptChoices(List<KeptChoice> choices, String right) {}

  private record KeptChoice(String id, String text) {}

  /** As an answer is kept. */
  private record KeptChosen(String choice) {}

  @Override
  protected ObjectNode keep(Choices question) {
    return MAPPER.valueToTree(
        new KeptChoices(
            question.choices().stream().map(c -> new KeptChoice(c.id(), c.text())).toList(),
            question.right()));
  }

  @Override
  protected Choices question(ObjectNode kept) {
    KeptChoices choices = MAPPER.treeToValue(kept, KeptChoices.class);
    return new Choices(
        choices.choices().stream().map(c -> new Choices.Choice(c.id(), c.text())).toList(),
        choices.right());
  }

  @Override
  protected ObjectNode keep(Chosen given) {
    return MAPPER.valueToTree(new KeptChosen(given.choice()));
  }

  @Override
  protected Chosen answer(ObjectNode kept) {
    return new Chosen(MAPPER.treeToValue(kept, KeptChosen.class).choice());
  }

  @Override
  protected ChoicesWritten written(Choices question) {
    return new ChoicesWritten(
        question.choices().stream()
            .map(c -> new ChoicesWritten.WrittenChoice(c.id(), c.text()))
            .toList(),
        question.right());
  }

  @Override
  protected Choices question(ChoicesWritten sent) {
    different(sent.choices().stream().map(ChoicesWritten.WrittenChoice::id));
    return new Choices(
        sent.choices().stream().map(c -> new Choices.Choice(c.id(), c.text())).toList(),
        sent.right());
  }

  @Override
  protected ChoicesAsked ask(Choices question, Chance chance) {
    List<Choices.Choice> dealt = chance.deal(question.choices());
    return new ChoicesAsked(
        IntStream.range(0, dealt.size())
            .mapToObj(n -> new ChoicesAsked.DealtChoice(place(n), dealt.get(n).text()))
            .toList());
  }

  @Override
  protected Optional<Chosen> answer(Choices question, Chance chance, ChoiceGiven sent) {
    List<Choices.Choice> dealt = chance.deal(question.choices());
    return IntStream.range(0, dealt.size())
        .filter(n -> place(n).equals(sent.choice()))
        .mapToObj(n -> new Chosen(dealt.get(n).id()))
        .findFirst();
  }

  @Override
  protected Optional<ChoiceGiven> given(Choices question, Chance chance, Chosen given) {
    List<Choices.Choice> dealt = chance.deal(question.choices());
    return IntStream.range(0, dealt.size())
        .filter(n -> dealt.get(n).id().equals(given.choice()))
        .mapToObj(n -> new ChoiceGiven(place(n)))
        .findFirst();
  }

  @Override
  protected ReviewedPart review(Choices question, Optional<Chosen> given, boolean told) {
    return new ChoiceReviewed(
        given.map(g -> question.text(g.choice())).filter(text -> !text.isEmpty()),
        told ? Optional.of(question.text(question.right())) : Optional.empty());
  }

  @Override
  protected ChoiceGiven rehearsed(Choices question, ChoicesAsked part, boolean right) {
    String rightText = question.text(question.right());
    return part.choices().stream()
        .filter(c -> c.text().equals(rightText) == right)
        .findFirst()
        .map(c -> new ChoiceGiven(c.id()))
        .orElseThrow();
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return ChoiceReviewed.class;
  }
}
