package yendrik.server.kinds.quiz.question.brief;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.brief.WordsGiven;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.brief.WordsWanted.Form;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Questions that a few words answer. */
@Component
class BriefRoom
    extends QuestionRoom<WordsWanted, WordsGiven, WordsWritten, WordsAsked, WordsAnswered> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  BriefRoom() {
    super(
        QuestionKind.SHORT,
        WordsWanted.class,
        WordsGiven.class,
        WordsWritten.class,
        WordsAsked.class,
        WordsAnswered.class);
  }

  /** As forms are kept. */
  private record KeptWords(List<KeptForm> forms, boolean withCase) {}

  private record KeptForm(String words, double share) {}

  /** As an answer is kept. */
  private record KeptGiven(String words) {}

  @Override
  protected ObjectNode keep(WordsWanted question) {
    return MAPPER.valueToTree(
        new KeptWords(
            question.forms().stream().map(f -> new KeptForm(f.words(), f.share())).toList(),
            question.withCase()));
  }

  @Override
  protected WordsWanted question(ObjectNode kept) {
    KeptWords words = MAPPER.treeToValue(kept, KeptWords.class);
    return new WordsWanted(
        words.forms().stream().map(f -> new Form(f.words(), f.share())).toList(), words.withCase());
  }

  @Override
  protected ObjectNode keep(WordsGiven given) {
    return MAPPER.valueToTree(new KeptGiven(given.words()));
  }

  @Override
  protected WordsGiven answer(ObjectNode kept) {
    return new WordsGiven(MAPPER.treeToValue(kept, KeptGiven.class).words());
  }

  @Override
  protected WordsWritten written(WordsWanted question) {
    return new WordsWritten(
        question.forms().stream()
            .map(f -> new WordsWritten.WrittenForm(f.words(), f.share()))
            .toList(),
        question.withCase());
  }

  @Override
  protected WordsWanted question(WordsWritten sent) {
    return new WordsWanted(
        sent.forms().stream().map(f -> new Form(f.words(), f.share())).toList(), sent.withCase());
  }

  @Override
  protected WordsAsked ask(WordsWanted question, Chance chance) {
    return new WordsAsked();
  }

  @Override
  protected Optional<WordsGiven> answer(WordsWanted question, Chance chance, WordsAnswered sent) {
    return sent.words().isBlank()
        ? Optional.empty()
        : Optional.of(new WordsGiven(sent.words().strip()));
  }

  @Override
  protected Optional<WordsAnswered> given(WordsWanted question, Chance chance, WordsGiven given) {
    return Optional.of(new WordsAnswered(given.words()));
  }

  @Override
  protected ReviewedPart review(WordsWanted question, Optional<WordsGiven> given, Telling telling) {
    return new WordsReviewed(
        given.map(WordsGiven::words), telling.right() ? whole(question) : Optional.empty());
  }

  private static Optional<String> whole(WordsWanted question) {
    return question.forms().stream().filter(f -> f.share() == 1).map(Form::words).findFirst();
  }

  @Override
  protected List<Phrase> said(WordsWanted question, WordsGiven given) {
    return List.of(Phrase.text(given.words().strip()));
  }

  @Override
  protected WordsAnswered rehearsed(WordsWanted question, WordsAsked part, boolean right) {
    return new WordsAnswered(right ? whole(question).orElse("").replace("*", "") : "?");
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return WordsReviewed.class;
  }
}
