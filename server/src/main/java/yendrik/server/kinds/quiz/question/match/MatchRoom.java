package yendrik.server.kinds.quiz.question.match;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.match.Matched;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;
import yendrik.server.kinds.quiz.question.match.PairsAsked.DealtWords;

/** Questions that putting together what belongs together answers. */
@Component
class MatchRoom extends QuestionRoom<PairsWanted, Matched, PairsWritten, PairsAsked, PairsGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  MatchRoom() {
    super(
        QuestionKind.MATCHING,
        PairsWanted.class,
        Matched.class,
        PairsWritten.class,
        PairsAsked.class,
        PairsGiven.class);
  }

  /** As pairs are kept. */
  private record KeptPairs(List<KeptPair> pairs, List<String> more) {}

  private record KeptPair(String id, String begins, String ends) {}

  /** As an answer is kept. */
  private record KeptMatched(Map<String, String> pairs) {}

  @Override
  protected ObjectNode keep(PairsWanted question) {
    return MAPPER.valueToTree(
        new KeptPairs(
            question.pairs().stream().map(p -> new KeptPair(p.id(), p.begins(), p.ends())).toList(),
            question.more()));
  }

  @Override
  protected PairsWanted question(ObjectNode kept) {
    KeptPairs pairs = MAPPER.treeToValue(kept, KeptPairs.class);
    return new PairsWanted(
        pairs.pairs().stream()
            .map(p -> new PairsWanted.Pair(p.id(), p.begins(), p.ends()))
            .toList(),
        pairs.more());
  }

  @Override
  protected ObjectNode keep(Matched given) {
    return MAPPER.valueToTree(new KeptMatched(given.pairs()));
  }

  @Override
  protected Matched answer(ObjectNode kept) {
    return new Matched(MAPPER.treeToValue(kept, KeptMatched.class).pairs());
  }

  @Override
  protected PairsWritten written(PairsWanted question) {
    return new PairsWritten(
        question.pairs().stream()
            .map(p -> new PairsWritten.WrittenPair(p.id(), p.begins(), p.ends()))
            .toList(),
        question.more());
  }

  @Override
  protected PairsWanted question(PairsWritten sent) {
    different(sent.pairs().stream().map(PairsWritten.WrittenPair::id));
    return new PairsWanted(
        sent.pairs().stream().map(p -> new PairsWanted.Pair(p.id(), p.begins(), p.ends())).toList(),
        sent.more());
  }

  @Override
  protected PairsAsked ask(PairsWanted question, Chance chance) {
    return new PairsAsked(
        words(question.pairs().stream().map(PairsWanted.Pair::begins).toList()),
        words(chance.mix(question.ends())));
  }

  private static List<DealtWords> words(List<String> texts) {
    return IntStream.range(0, texts.size())
        .mapToObj(n -> new DealtWords(place(n), texts.get(n)))
        .toList();
  }

  @Override
  protected Optional<Matched> answer(PairsWanted question, Chance chance, PairsGiven sent) {
    List<String> ends = chance.mix(question.ends());
    Map<String, String> pairs = new HashMap<>();
    for (int n = 0; n < question.pairs().size(); n++) {
      String put = sent.pairs().get(place(n));
      for (int e = 0; e < ends.size(); e++)
        if (place(e).equals(put)) pairs.put(question.pairs().get(n).id(), ends.get(e));
    }
    return pairs.isEmpty() ? Optional.empty() : Optional.of(new Matched(pairs));
  }

  @Override
  protected Optional<PairsGiven> given(PairsWanted question, Chance chance, Matched given) {
    List<String> ends = chance.mix(question.ends());
    Map<String, String> pairs = new HashMap<>();
    for (int n = 0; n < question.pairs().size(); n++) {
      int end = ends.indexOf(given.pairs().get(question.pairs().get(n).id()));
      if (end >= 0) pairs.put(place(n), place(end));
    }
    return Optional.of(new PairsGiven(pairs));
  }

  @Override
  protected ReviewedPart review(PairsWanted question, Optional<Matched> given, Telling telling) {
    return new PairsReviewed(
        question.pairs().stream()
            .map(p ->
                new PairsReviewed.ReviewedPair(
                    p.begins(),
                    given.flatMap(g -> Optional.ofNullable(g.pairs().get(p.id()))),
                    telling.right() ? Optional.of(p.ends()) : Optional.empty()))
            .toList());
  }

  @Override
  protected List<Phrase> said(PairsWanted question, Matched given) {
    return question.pairs().stream()
        .filter(pair -> given.pairs().containsKey(pair.id()))
        .map(pair -> Phrase.text(pair.begins() + " – " + given.pairs().get(pair.id())))
        .toList();
  }

  @Override
  protected PairsGiven rehearsed(PairsWanted question, PairsAsked part, boolean right) {
    Function<String, Optional<String>> end =
        words ->
            part.ends().stream()
                .filter(e -> e.text().equals(words) == right)
                .map(DealtWords::id)
                .findFirst();
    Map<String, String> pairs = new HashMap<>();
    for (int n = 0; n < question.pairs().size(); n++) {
      String place = place(n);
      end.apply(question.pairs().get(n).ends()).ifPresent(e -> pairs.put(place, e));
    }
    return new PairsGiven(pairs);
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return PairsReviewed.class;
  }
}
