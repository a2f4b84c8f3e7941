package yendrik.server.kinds.quiz.question.choice;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.choice.Chosen;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

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

  private record KeptChoice(
      String id, String text, Optional<String> formatted, Optional<String> feedback) {
    static KeptChoice of(Choices.Choice c) {
      return new KeptChoice(
          c.id(),
          c.text(),
          c.shown().formatted(),
          Optional.of(c.feedback()).filter(said -> !said.isEmpty()));
    }

    Choices.Choice choice() {
      return new Choices.Choice(id, new Shown(text, formatted), feedback.orElse(""));
    }
  }

  /** As an answer is kept. */
  private record KeptChosen(String choice) {}

  @Override
  protected ObjectNode keep(Choices question) {
    return MAPPER.valueToTree(
        new KeptChoices(
            question.choices().stream().map(KeptChoice::of).toList(), question.right()));
  }

  @Override
  protected Choices question(ObjectNode kept) {
    KeptChoices choices = MAPPER.treeToValue(kept, KeptChoices.class);
    return new Choices(
        choices.choices().stream().map(KeptChoice::choice).toList(), choices.right());
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
        question.choices().stream().map(ChoicesWritten.WrittenChoice::of).toList(),
        question.right());
  }

  @Override
  protected Choices question(ChoicesWritten sent) {
    different(sent.choices().stream().map(ChoicesWritten.WrittenChoice::id));
    return new Choices(
        sent.choices().stream().map(ChoicesWritten.WrittenChoice::choice).toList(), sent.right());
  }

  @Override
  protected ChoicesAsked ask(Choices question, Chance chance) {
    List<Choices.Choice> dealt = chance.deal(question.choices());
    return new ChoicesAsked(
        IntStream.range(0, dealt.size())
            .mapToObj(n -> {
              Shown shown = dealt.get(n).shown();
              return new ChoicesAsked.DealtChoice(place(n), shown.text(), shown.formatted());
            })
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
  protected ReviewedPart review(Choices question, Optional<Chosen> given, Telling telling) {
    return new ChoiceReviewed(
        given.flatMap(g -> question.choice(g.choice())).map(c -> reviewed(c, telling.feedback())),
        telling.right()
            ? question.choice(question.right()).map(c -> reviewed(c, /* feedback= */ false))
            : Optional.empty());
  }

  private static ChoiceReviewed.ReviewedChoice reviewed(Choices.Choice choice, boolean feedback) {
    return new ChoiceReviewed.ReviewedChoice(
        choice.text(),
        choice.shown().formatted(),
        Optional.of(choice.feedback()).filter(said -> feedback && !said.isEmpty()));
  }

  @Override
  protected List<Phrase> said(Choices question, Chosen given) {
    return question.choice(given.choice()).map(c -> Phrase.text(c.text())).stream().toList();
  }

  @Override
  protected ChoiceGiven rehearsed(Choices question, ChoicesAsked part, boolean right) {
    String rightText = question.choice(question.right()).map(Choices.Choice::text).orElse("");
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
