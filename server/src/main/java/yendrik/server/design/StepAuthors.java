package yendrik.server.design;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.JSONB;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.server.http.Problem;

/** Every kind of step as designers know it. */
@Component
public class StepAuthors extends ByKind<StepKind, StepAuthor<?, ?, ?>> {
  StepAuthors(ObjectProvider<StepAuthor<?, ?, ?>> rooms) {
    super(StepKind.class, rooms, StepAuthor::kind);
  }

  /** What a new step of a kind holds. */
  Content fresh(StepKind kind) {
    return of(kind).fresh();
  }

  /** Reads what is kept. */
  public Content read(StepKind kind, JSONB json) {
    return read(kind, (ObjectNode) CoreJson.mapper().readTree(json.data()));
  }

  /** Reads what is kept, in whatever form that was. */
  public Content read(StepKind kind, ObjectNode kept) {
    StepAuthor<?, ?, ?> room = of(kind);
    return CoreJson.mapper().treeToValue(room.now(kept), room.content());
  }

  /** A step with what it takes from elsewhere in its course. */
  public Content whole(CourseId course, StepId step, StepKind kind, Content content) {
    return requireNonNull(whole(of(kind), course, Map.of(step, content)).get(step));
  }

  /** Steps with what they take from elsewhere in their course. */
  Map<StepId, Content> whole(
      CourseId course, Map<StepId, Content> contents, Map<StepId, StepKind> kinds) {
    Map<StepKind, Map<StepId, Content>> byKind = new EnumMap<>(StepKind.class);
    contents.forEach((step, content) ->
        byKind.computeIfAbsent(kinds.get(step), _ -> new HashMap<>()).put(step, content));
    Map<StepId, Content> whole = new HashMap<>();
    byKind.forEach((kind, some) -> whole.putAll(whole(of(kind), course, some)));
    return whole;
  }

  private static <C extends Content> Map<StepId, ? extends Content> whole(
      StepAuthor<C, ?, ?> room, CourseId course, Map<StepId, Content> some) {
    Map<StepId, C> its = new HashMap<>();
    some.forEach((step, content) -> its.put(step, room.content().cast(content)));
    return room.whole(course, its);
  }

  AuthorPart part(StepKind kind, Content content) {
    return part(of(kind), content);
  }

  private static <C extends Content, P extends AuthorPart> P part(
      StepAuthor<C, P, ?> room, Content content) {
    return room.part(room.content().cast(content));
  }

  AuthorEdit edit(StepKind kind, Content content) {
    return edit(of(kind), content);
  }

  private static <C extends Content, E extends AuthorEdit> E edit(
      StepAuthor<C, ?, E> room, Content content) {
    return room.edit(room.content().cast(content));
  }

  Content checked(StepKind kind, StepAuthor.Place place, String body, AuthorEdit edit) {
    return checked(of(kind), place, body, edit);
  }

  private static <C extends Content, E extends AuthorEdit> C checked(
      StepAuthor<C, ?, E> room, StepAuthor.Place place, String body, AuthorEdit edit) {
    if (!room.edit().isInstance(edit)) throw Problem.field("part", "step-of-another-kind");
    return room.checked(place, body, room.edit().cast(edit));
  }

  /** What a step holds in another course. */
  public Content carried(StepKind kind, Content content, Carrying to) {
    return carried(of(kind), content, to);
  }

  private static <C extends Content> C carried(
      StepAuthor<C, ?, ?> room, Content content, Carrying to) {
    return room.carried(room.content().cast(content), to);
  }

  double points(StepKind kind, Content content, double sent) {
    return points(of(kind), content, sent);
  }

  private static <C extends Content> double points(
      StepAuthor<C, ?, ?> room, Content content, double sent) {
    return room.points(room.content().cast(content), sent);
  }

  /** What keeps published steps of a document from learners, in words. */
  List<Phrase> faults(Document document) {
    List<Phrase> faults = new ArrayList<>();
    for (CourseModule module : document.design().modules())
      for (Step step : module.steps())
        if (step.published() && module.published())
          faults.addAll(faults(of(step.kind()), step.name(), document.content(step.id())));
    return faults;
  }

  /** What keeps a step from being put before learners, in words. */
  List<Phrase> faults(StepKind kind, String name, Content content) {
    return faults(of(kind), name, content);
  }

  private static <C extends Content> List<Phrase> faults(
      StepAuthor<C, ?, ?> room, String name, Content content) {
    return room.faults(name, room.content().cast(content));
  }
}
