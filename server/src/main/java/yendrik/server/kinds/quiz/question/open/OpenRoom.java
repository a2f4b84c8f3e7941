package yendrik.server.kinds.quiz.question.open;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.open.Told;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.TextFiles;
import yendrik.server.http.Problem;
import yendrik.server.http.SafeHtml;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;
import yendrik.server.texts.OwnTexts;

/** Questions that a text of one's own answers. */
@Component
class OpenRoom extends QuestionRoom<TextWanted, Told, TextWritten, TextAsked, TextGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  OpenRoom() {
    super(
        QuestionKind.OPEN,
        TextWanted.class,
        Told.class,
        TextWritten.class,
        TextAsked.class,
        TextGiven.class);
  }

  /** As a question is kept. */
  private record KeptWanted(String expected, Optional<RubricId> rubric) {}

  /** As an answer is kept. */
  private record KeptTold(String text) {}

  @Override
  protected ObjectNode keep(TextWanted question) {
    return MAPPER.valueToTree(new KeptWanted(question.expected(), question.rubric()));
  }

  @Override
  protected TextWanted question(ObjectNode kept) {
    var wanted = MAPPER.treeToValue(kept, KeptWanted.class);
    return new TextWanted(wanted.expected(), wanted.rubric());
  }

  @Override
  protected ObjectNode keep(Told given) {
    return MAPPER.valueToTree(new KeptTold(given.text()));
  }

  @Override
  protected Told answer(ObjectNode kept) {
    return new Told(MAPPER.treeToValue(kept, KeptTold.class).text());
  }

  @Override
  protected TextWritten written(TextWanted question) {
    return new TextWritten(question.expected(), question.rubric());
  }

  @Override
  protected TextWanted question(TextWritten sent) {
    return new TextWanted(sent.expected().strip(), sent.rubric());
  }

  @Override
  protected TextAsked ask(TextWanted question, Chance chance) {
    return new TextAsked();
  }

  @Override
  protected Optional<Told> answer(TextWanted question, Chance chance, TextGiven sent) {
    String safe = SafeHtml.of(sent.text());
    if (!TextFiles.of(safe).isEmpty()) throw Problem.field("answers", "no-files-in-answer");
    return OwnTexts.isBlank(safe) ? Optional.empty() : Optional.of(new Told(safe));
  }

  @Override
  protected Optional<TextGiven> given(TextWanted question, Chance chance, Told given) {
    return Optional.of(new TextGiven(given.text()));
  }

  @Override
  protected ReviewedPart review(TextWanted question, Optional<Told> given, Telling telling) {
    return new TextReviewed(
        given.map(Told::text),
        telling.right()
            ? Optional.of(question.expected()).filter(e -> !e.isEmpty())
            : Optional.empty());
  }

  @Override
  protected List<Phrase> said(TextWanted question, Told given) {
    return List.of();
  }

  @Override
  protected TextGiven rehearsed(TextWanted question, TextAsked part, boolean right) {
    return new TextGiven("<p>" + (right ? question.expected() : "I do not know.") + "</p>");
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return TextReviewed.class;
  }
}
