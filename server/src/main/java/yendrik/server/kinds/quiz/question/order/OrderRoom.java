package yendrik.server.kinds.quiz.question.order;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.order.OrderWanted.Thing;
import yendrik.core.quiz.kinds.order.Ordered;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Questions that putting things in order answers. */
@Component
class OrderRoom extends QuestionRoom<OrderWanted, Ordered, OrderWritten, OrderAsked, OrderGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  OrderRoom() {
    super(
        QuestionKind.ORDERING,
        OrderWanted.class,
        Ordered.class,
        OrderWritten.class,
        OrderAsked.class,
        OrderGiven.class);
  }

  /** As things are kept. */
  private record KeptOrder(List<KeptThing> things, boolean inPart) {}

  private record KeptThing(String id, String text) {}

  /** As an answer is kept. */
  private record KeptOrdered(List<String> things) {}

  @Override
  protected ObjectNode keep(OrderWanted question) {
    return MAPPER.valueToTree(
        new KeptOrder(
            question.things().stream().map(t -> new KeptThing(t.id(), t.text())).toList(),
            question.inPart()));
  }

  @Override
  protected OrderWanted question(ObjectNode kept) {
    KeptOrder order = MAPPER.treeToValue(kept, KeptOrder.class);
    return new OrderWanted(
        order.things().stream().map(t -> new Thing(t.id(), t.text())).toList(), order.inPart());
  }

  @Override
  protected ObjectNode keep(Ordered given) {
    return MAPPER.valueToTree(new KeptOrdered(given.things()));
  }

  @Override
  protected Ordered answer(ObjectNode kept) {
    return new Ordered(MAPPER.treeToValue(kept, KeptOrdered.class).things());
  }

  @Override
  protected OrderWritten written(OrderWanted question) {
    return new OrderWritten(
        question.things().stream()
            .map(t -> new OrderWritten.WrittenThing(t.id(), t.text()))
            .toList(),
        question.inPart());
  }

  @Override
  protected OrderWanted question(OrderWritten sent) {
    different(sent.things().stream().map(OrderWritten.WrittenThing::id));
    return new OrderWanted(
        sent.things().stream().map(t -> new Thing(t.id(), t.text())).toList(), sent.inPart());
  }

  /** Never in the right order, which would be an answer that nobody gave. */
  private static List<Thing> mixed(OrderWanted question, Chance chance) {
    List<Thing> dealt = new ArrayList<>(chance.mix(question.things()));
    if (dealt.equals(question.things())) Collections.rotate(dealt, 1);
    return dealt;
  }

  @Override
  protected OrderAsked ask(OrderWanted question, Chance chance) {
    List<Thing> dealt = mixed(question, chance);
    return new OrderAsked(
        IntStream.range(0, dealt.size())
            .mapToObj(n -> new OrderAsked.DealtThing(place(n), dealt.get(n).text()))
            .toList());
  }

  @Override
  protected Optional<Ordered> answer(OrderWanted question, Chance chance, OrderGiven sent) {
    List<Thing> dealt = mixed(question, chance);
    Map<String, String> ids = new HashMap<>();
    for (int n = 0; n < dealt.size(); n++) ids.put(place(n), dealt.get(n).id());
    List<String> put = sent.things().stream().distinct().filter(ids::containsKey).toList();
    // Who puts some things only has not put them in order.
    if (put.size() < dealt.size()) return Optional.empty();
    return Optional.of(new Ordered(put.stream().map(p -> ids.getOrDefault(p, "")).toList()));
  }

  @Override
  protected Optional<OrderGiven> given(OrderWanted question, Chance chance, Ordered given) {
    List<String> dealt = mixed(question, chance).stream().map(Thing::id).toList();
    return Optional.of(
        new OrderGiven(
            given.things().stream()
                .map(dealt::indexOf)
                .filter(n -> n >= 0)
                .map(QuestionRoom::place)
                .toList()));
  }

  @Override
  protected ReviewedPart review(OrderWanted question, Optional<Ordered> given, Telling telling) {
    Map<String, String> words = new HashMap<>();
    question.things().forEach(t -> words.put(t.id(), t.text()));
    return new OrderReviewed(
        given.map(Ordered::things).orElse(List.of()).stream()
            .map(id -> words.getOrDefault(id, ""))
            .toList(),
        telling.right() ? question.things().stream().map(Thing::text).toList() : List.of());
  }

  @Override
  protected List<Phrase> said(OrderWanted question, Ordered given) {
    Map<String, String> words = new HashMap<>();
    question.things().forEach(thing -> words.put(thing.id(), thing.text()));
    return List.of(
        Phrase.text(
            given.things().stream()
                .map(id -> words.getOrDefault(id, "…"))
                .collect(Collectors.joining(" – "))));
  }

  @Override
  protected OrderGiven rehearsed(OrderWanted question, OrderAsked part, boolean right) {
    List<String> put =
        new ArrayList<>(
            question.things().stream()
                .flatMap(t -> part.things().stream().filter(d -> d.text().equals(t.text())))
                .map(OrderAsked.DealtThing::id)
                .toList());
    if (!right) Collections.reverse(put);
    return new OrderGiven(put);
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return OrderReviewed.class;
  }
}
