package yendrik.server.kinds.quiz.question.place;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.kinds.place.Pointed;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.kinds.quiz.question.Chance;
import yendrik.server.kinds.quiz.question.QuestionRoom;
import yendrik.server.kinds.quiz.question.ReviewedPart;
import yendrik.server.kinds.quiz.question.Telling;

/** Questions that a place on a picture answers. */
@Component
class PlaceRoom extends QuestionRoom<PlaceWanted, Pointed, PlaceWritten, PlaceAsked, PlaceGiven> {
  private static final JsonMapper MAPPER = CoreJson.mapper();

  PlaceRoom() {
    super(
        QuestionKind.PLACE,
        PlaceWanted.class,
        Pointed.class,
        PlaceWritten.class,
        PlaceAsked.class,
        PlaceGiven.class);
  }

  /** As a picture with its areas is kept. */
  private record KeptPlace(Optional<Long> picture, String described, List<KeptArea> areas) {}

  private record KeptArea(
      String id,
      String called,
      double left,
      double top,
      double width,
      double height,
      boolean round) {}

  /** As an answer is kept. */
  private record KeptPointed(double x, double y) {}

  @Override
  protected ObjectNode keep(PlaceWanted question) {
    return MAPPER.valueToTree(
        new KeptPlace(
            question.picture(),
            question.described(),
            question.areas().stream()
                .map(a ->
                    new KeptArea(
                        a.id(), a.called(), a.left(), a.top(), a.width(), a.height(), a.round()))
                .toList()));
  }

  @Override
  protected PlaceWanted question(ObjectNode kept) {
    KeptPlace place = MAPPER.treeToValue(kept, KeptPlace.class);
    return new PlaceWanted(
        place.picture(),
        place.described(),
        place.areas().stream()
            .map(a ->
                new PlaceWanted.Area(
                    a.id(), a.called(), a.left(), a.top(), a.width(), a.height(), a.round()))
            .toList());
  }

  @Override
  protected ObjectNode keep(Pointed given) {
    return MAPPER.valueToTree(new KeptPointed(given.x(), given.y()));
  }

  @Override
  protected Pointed answer(ObjectNode kept) {
    KeptPointed pointed = MAPPER.treeToValue(kept, KeptPointed.class);
    return new Pointed(pointed.x(), pointed.y());
  }

  @Override
  protected PlaceWritten written(PlaceWanted question) {
    return new PlaceWritten(question.picture(), question.described(), areas(question));
  }

  private static List<PlaceWritten.WrittenArea> areas(PlaceWanted question) {
    return question.areas().stream()
        .map(a ->
            new PlaceWritten.WrittenArea(
                a.id(), a.called(), a.left(), a.top(), a.width(), a.height(), a.round()))
        .toList();
  }

  @Override
  protected PlaceWanted question(PlaceWritten sent) {
    different(sent.areas().stream().map(PlaceWritten.WrittenArea::id));
    return new PlaceWanted(
        sent.picture(),
        sent.described().strip(),
        sent.areas().stream()
            .map(a ->
                new PlaceWanted.Area(
                    a.id(),
                    a.called().strip(),
                    a.left(),
                    a.top(),
                    a.width(),
                    a.height(),
                    a.round()))
            .toList());
  }

  @Override
  protected PlaceAsked ask(PlaceWanted question, Chance chance) {
    return new PlaceAsked(question.picture(), question.described());
  }

  @Override
  protected Optional<Pointed> answer(PlaceWanted question, Chance chance, PlaceGiven sent) {
    return Optional.of(new Pointed(sent.x(), sent.y()));
  }

  @Override
  protected Optional<PlaceGiven> given(PlaceWanted question, Chance chance, Pointed given) {
    return Optional.of(new PlaceGiven(given.x(), given.y()));
  }

  @Override
  protected ReviewedPart review(PlaceWanted question, Optional<Pointed> given, Telling telling) {
    return new PlaceReviewed(
        question.picture(),
        question.described(),
        given.map(p -> new PlaceGiven(p.x(), p.y())),
        telling.right() ? areas(question) : List.of());
  }

  @Override
  protected List<Phrase> said(PlaceWanted question, Pointed given) {
    return List.of(
        question
            .at(given)
            .map(area -> (Phrase) Phrase.text(area.called()))
            .orElse(Phrase.of("said.place.beside")));
  }

  @Override
  protected PlaceGiven rehearsed(PlaceWanted question, PlaceAsked part, boolean right) {
    if (right) {
      PlaceWanted.Area area = question.areas().getFirst();
      return new PlaceGiven(area.middleX(), area.middleY());
    }
    return Stream.of(new Pointed(0, 0), new Pointed(1, 0), new Pointed(0, 1), new Pointed(1, 1))
        .filter(corner -> question.at(corner).isEmpty())
        .findFirst()
        .map(corner -> new PlaceGiven(corner.x(), corner.y()))
        .orElseThrow();
  }

  @Override
  public Class<? extends ReviewedPart> reviewed() {
    return PlaceReviewed.class;
  }
}
