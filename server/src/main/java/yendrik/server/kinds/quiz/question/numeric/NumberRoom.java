package yendrik.server.kinds.quiz.question.numeric;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.numeric.NumberGiven;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Questions that a number answers. */
@Component
class NumberRoom
    extends QuestionRoom<NumberWanted, NumberGiven, NumberWritten, NumberAsked, NumberAnswered> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  NumberRoom() {
    super(
        QuestionKind.NUMERIC,
        NumberWanted.class,
        NumberGiven.class,
        NumberWritten.class,
        NumberAsked.class,
        NumberAnswered.class);
  }

  /** As a number is kept. */
  private record KeptNumber(
      Optional<Double> number, double tolerance, boolean percent, String unit) {}

  /** As an answer is kept. */
  private record KeptGiven(double number) {}

  private static Optional<Double> known(double number) {
    return Double.isFinite(number) ? Optional.of(number) : Optional.empty();
  }

  @Override
  protected ObjectNode keep(NumberWanted question) {
    return MAPPER.valueToTree(
        new KeptNumber(
            known(question.number()), question.tolerance(), question.percent(), question.unit()));
  }

  @Override
  protected NumberWanted question(ObjectNode kept) {
    KeptNumber number = MAPPER.treeToValue(kept, KeptNumber.class);
    return new NumberWanted(
        number.number().orElse(Double.NaN), number.tolerance(), number.percent(), number.unit());
  }

  @Override
  protected ObjectNode keep(NumberGiven given) {
    return MAPPER.valueToTree(new KeptGiven(given.number()));
  }

  @Override
  protected NumberGiven answer(ObjectNode kept) {
    return new NumberGiven(MAPPER.treeToValue(kept, KeptGiven.class).number());
  }

  @Override
  protected NumberWritten written(NumberWanted question) {
    return new NumberWritten(
        known(question.number()), question.tolerance(), question.percent(), question.unit());
  }

  @Override
  protected NumberWanted question(NumberWritten sent) {
    return new NumberWanted(
        sent.number().orElse(Double.NaN), sent.tolerance(), sent.percent(), sent.unit());
  }

  @Override
  protected NumberAsked ask(NumberWanted question, Chance chance) {
    return new NumberAsked(question.unit());
  }

  @Override
  protected Optional<NumberGiven> answer(
      NumberWanted question, Chance chance, NumberAnswered sent) {
    return Optional.of(new NumberGiven(sent.number()));
  }

  @Override
  protected Optional<NumberAnswered> given(
      NumberWanted question, Chance chance, NumberGiven given) {
    return Optional.of(new NumberAnswered(given.number()));
  }

  @Override
  protected ReviewedPart review(
      NumberWanted question, Optional<NumberGiven> given, Telling telling) {
    return new NumberReviewed(
        given.map(NumberGiven::number),
        telling.right() ? known(question.number()) : Optional.empty(),
        telling.right() ? Optional.of(question.most().doubleValue()) : Optional.empty(),
        question.unit());
  }

  @Override
  protected List<Phrase> said(NumberWanted question, NumberGiven given) {
    return List.of(Phrase.of("said.number", "number", given.number(), "unit", question.unit()));
  }

  @Override
  protected NumberAnswered rehearsed(NumberWanted question, NumberAsked part, boolean right) {
    double off = right ? 0 : question.most().doubleValue() + 1;
    return new NumberAnswered(question.number() + off);
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return NumberReviewed.class;
  }
}
