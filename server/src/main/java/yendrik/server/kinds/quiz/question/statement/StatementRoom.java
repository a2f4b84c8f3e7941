package yendrik.server.kinds.quiz.question.statement;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.statement.Said;
import yendrik.core.quiz.kinds.statement.Statement;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Statements that are true or false. */
@Component
class StatementRoom
    extends QuestionRoom<Statement, Said, StatementWritten, StatementAsked, StatementGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  StatementRoom() {
    super(
        QuestionKind.TRUE_FALSE,
        Statement.class,
        Said.class,
        StatementWritten.class,
        StatementAsked.class,
        StatementGiven.class);
  }

  /** As a statement is kept. */
  private record KeptStatement(boolean isTrue) {}

  /** As an answer is kept. */
  private record KeptSaid(boolean itIsTrue) {}

  @Override
  protected ObjectNode keep(Statement question) {
    return MAPPER.valueToTree(new KeptStatement(question.isTrue()));
  }

  @Override
  protected Statement question(ObjectNode kept) {
    return new Statement(MAPPER.treeToValue(kept, KeptStatement.class).isTrue());
  }

  @Override
  protected ObjectNode keep(Said given) {
    return MAPPER.valueToTree(new KeptSaid(given.itIsTrue()));
  }

  @Override
  protected Said answer(ObjectNode kept) {
    return new Said(MAPPER.treeToValue(kept, KeptSaid.class).itIsTrue());
  }

  @Override
  protected StatementWritten written(Statement question) {
    return new StatementWritten(question.isTrue());
  }

  @Override
  protected Statement question(StatementWritten sent) {
    return new Statement(sent.isTrue());
  }

  @Override
  protected StatementAsked ask(Statement question, Chance chance) {
    return new StatementAsked();
  }

  @Override
  protected Optional<Said> answer(Statement question, Chance chance, StatementGiven sent) {
    return Optional.of(new Said(sent.itIsTrue()));
  }

  @Override
  protected Optional<StatementGiven> given(Statement question, Chance chance, Said given) {
    return Optional.of(new StatementGiven(given.itIsTrue()));
  }

  @Override
  protected ReviewedPart review(Statement question, Optional<Said> given, Telling telling) {
    return new StatementReviewed(
        given.map(Said::itIsTrue),
        telling.right() ? Optional.of(question.isTrue()) : Optional.empty());
  }

  @Override
  protected List<Phrase> said(Statement question, Said given) {
    return List.of(Phrase.of(given.itIsTrue() ? "said.true" : "said.false"));
  }

  @Override
  protected StatementGiven rehearsed(Statement question, StatementAsked part, boolean right) {
    return new StatementGiven(question.isTrue() == right);
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return StatementReviewed.class;
  }
}
