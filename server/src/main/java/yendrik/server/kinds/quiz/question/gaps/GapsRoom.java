package yendrik.server.kinds.quiz.question.gaps;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.gaps.Filled;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Texts with gaps that are filled in. */
@Component
class GapsRoom extends QuestionRoom<GapText, Filled, GapsWritten, GapsAsked, GapsGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  GapsRoom() {
    super(
        QuestionKind.GAPS,
        GapText.class,
        Filled.class,
        GapsWritten.class,
        GapsAsked.class,
        GapsGiven.class);
  }

  /** As a text is kept. */
  private record KeptGaps(String source, boolean withCase) {}

  /** As an answer is kept. */
  private record KeptFilled(List<String> words) {}

  @Override
  protected ObjectNode keep(GapText question) {
    return MAPPER.valueToTree(new KeptGaps(question.source(), question.withCase()));
  }

  @Override
  protected GapText question(ObjectNode kept) {
    KeptGaps gaps = MAPPER.treeToValue(kept, KeptGaps.class);
    return new GapText(gaps.source(), gaps.withCase());
  }

  @Override
  protected ObjectNode keep(Filled given) {
    return MAPPER.valueToTree(new KeptFilled(given.words()));
  }

  @Override
  protected Filled answer(ObjectNode kept) {
    return new Filled(MAPPER.treeToValue(kept, KeptFilled.class).words());
  }

  @Override
  protected GapsWritten written(GapText question) {
    return new GapsWritten(question.source(), question.withCase());
  }

  @Override
  protected GapText question(GapsWritten sent) {
    return new GapText(sent.source(), sent.withCase());
  }

  @Override
  protected GapsAsked ask(GapText question, Chance chance) {
    return new GapsAsked(question.around());
  }

  @Override
  protected Optional<Filled> answer(GapText question, Chance chance, GapsGiven sent) {
    List<String> words =
        sent.words().stream().limit(question.gaps().size()).map(String::strip).toList();
    return words.stream().allMatch(String::isEmpty)
        ? Optional.empty()
        : Optional.of(new Filled(words));
  }

  @Override
  protected Optional<GapsGiven> given(GapText question, Chance chance, Filled given) {
    return Optional.of(new GapsGiven(given.words()));
  }

  @Override
  protected ReviewedPart review(GapText question, Optional<Filled> given, Telling telling) {
    List<String> words = given.map(Filled::words).orElse(List.of());
    List<GapText.Gap> gaps = question.gaps();
    return new GapsReviewed(
        question.around(),
        IntStream.range(0, gaps.size())
            .mapToObj(n -> {
              String typed = n < words.size() ? words.get(n) : "";
              return new GapsReviewed.ReviewedGap(
                  typed,
                  question.fills(gaps.get(n), typed),
                  telling.right() ? Optional.of(gaps.get(n).forms().getFirst()) : Optional.empty());
            })
            .toList());
  }

  @Override
  protected List<Phrase> said(GapText question, Filled given) {
    return given.words().stream().filter(word -> !word.isEmpty()).map(Phrase::text).toList();
  }

  @Override
  protected GapsGiven rehearsed(GapText question, GapsAsked part, boolean right) {
    return new GapsGiven(
        question.gaps().stream()
            .map(g -> right ? g.forms().getFirst().replace("*", "") : "?")
            .toList());
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return GapsReviewed.class;
  }
}
