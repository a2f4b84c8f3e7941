package yendrik.server.kinds.quiz.question.several;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.several.SeveralChosen;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Questions of which several choices may be right. */
@Component
class SeveralRoom
    extends QuestionRoom<
        SeveralChoices, SeveralChosen, SeveralWritten, SeveralAsked, SeveralGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  SeveralRoom() {
    super(
        QuestionKind.SEVERAL,
        SeveralChoices.class,
        SeveralChosen.class,
        SeveralWritten.class,
        SeveralAsked.class,
        SeveralGiven.class);
  }

  /** As choices are kept. */
  private record KeptChoices(List<KeptShare> choices) {}

  private record KeptShare(
      String id, String text, Optional<String> formatted, double share, Optional<String> feedback) {
    static KeptShare of(SeveralChoices.Choice c) {
      return new KeptShare(
          c.id(),
          c.text(),
          c.shown().formatted(),
          c.share(),
          Optional.of(c.feedback()).filter(said -> !said.isEmpty()));
    }

    SeveralChoices.Choice choice() {
      return new SeveralChoices.Choice(id, new Shown(text, formatted), share, feedback.orElse(""));
    }
  }

  /** As an answer is kept. */
  private record KeptChosen(Set<String> choices) {}

  @Override
  protected ObjectNode keep(SeveralChoices question) {
    return MAPPER.valueToTree(
        new KeptChoices(question.choices().stream().map(KeptShare::of).toList()));
  }

  @Override
  protected SeveralChoices question(ObjectNode kept) {
    return new SeveralChoices(
        MAPPER.treeToValue(kept, KeptChoices.class).choices().stream()
            .map(KeptShare::choice)
            .toList());
  }

  @Override
  protected ObjectNode keep(SeveralChosen given) {
    return MAPPER.valueToTree(new KeptChosen(given.choices()));
  }

  @Override
  protected SeveralChosen answer(ObjectNode kept) {
    return new SeveralChosen(MAPPER.treeToValue(kept, KeptChosen.class).choices());
  }

  @Override
  protected SeveralWritten written(SeveralChoices question) {
    return new SeveralWritten(
        question.choices().stream().map(SeveralWritten.WrittenShare::of).toList());
  }

  @Override
  protected SeveralChoices question(SeveralWritten sent) {
    different(sent.choices().stream().map(SeveralWritten.WrittenShare::id));
    return new SeveralChoices(
        sent.choices().stream().map(SeveralWritten.WrittenShare::choice).toList());
  }

  @Override
  protected SeveralAsked ask(SeveralChoices question, Chance chance) {
    List<SeveralChoices.Choice> dealt = chance.deal(question.choices());
    return new SeveralAsked(
        IntStream.range(0, dealt.size())
            .mapToObj(n -> {
              Shown shown = dealt.get(n).shown();
              return new SeveralAsked.DealtShare(place(n), shown.text(), shown.formatted());
            })
            .toList());
  }

  @Override
  protected Optional<SeveralChosen> answer(
      SeveralChoices question, Chance chance, SeveralGiven sent) {
    List<SeveralChoices.Choice> dealt = chance.deal(question.choices());
    Set<String> chosen = new HashSet<>();
    for (int n = 0; n < dealt.size(); n++)
      if (sent.choices().contains(place(n))) chosen.add(dealt.get(n).id());
    return chosen.isEmpty() ? Optional.empty() : Optional.of(new SeveralChosen(chosen));
  }

  @Override
  protected Optional<SeveralGiven> given(
      SeveralChoices question, Chance chance, SeveralChosen given) {
    List<SeveralChoices.Choice> dealt = chance.deal(question.choices());
    return Optional.of(
        new SeveralGiven(
            IntStream.range(0, dealt.size())
                .filter(n -> given.choices().contains(dealt.get(n).id()))
                .mapToObj(QuestionRoom::place)
                .collect(Collectors.toUnmodifiableSet())));
  }

  @Override
  protected ReviewedPart review(
      SeveralChoices question, Optional<SeveralChosen> given, Telling telling) {
    Set<String> chosen = given.map(SeveralChosen::choices).orElse(Set.of());
    return new SeveralReviewed(
        question.choices().stream()
            .map(c ->
                new SeveralReviewed.ReviewedShare(
                    c.text(),
                    c.shown().formatted(),
                    chosen.contains(c.id()),
                    telling.right() ? Optional.of(c.right()) : Optional.empty(),
                    Optional.of(c.feedback())
                        .filter(said ->
                            telling.feedback() && chosen.contains(c.id()) && !said.isEmpty())))
            .toList());
  }

  @Override
  protected List<Phrase> said(SeveralChoices question, SeveralChosen given) {
    return question.choices().stream()
        .filter(c -> given.choices().contains(c.id()))
        .map(c -> Phrase.text(c.text()))
        .toList();
  }

  @Override
  protected SeveralGiven rehearsed(SeveralChoices question, SeveralAsked part, boolean right) {
    Set<String> words =
        question.choices().stream()
            .filter(c -> c.right() == right)
            .map(SeveralChoices.Choice::text)
            .collect(Collectors.toSet());
    return new SeveralGiven(
        part.choices().stream()
            .filter(c -> words.contains(c.text()))
            .map(SeveralAsked.DealtShare::id)
            .collect(Collectors.toUnmodifiableSet()));
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return SeveralReviewed.class;
  }
}
