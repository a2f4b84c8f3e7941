package yendrik.formats.json;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.strand.film.FilmFact;
import yendrik.core.strand.time.TimeFact;

/**
 * Reports of time on a step and of parts of its film, of which there is one each minute, kept
 * together for a visit. Each part stays a fact with an id and a moment of its own:
 *
 * <pre>{"step":7,"parts":[
 *   {"id":101,"at":"2026-09-01T09:01:00Z","is":"spent-time","seconds":60},
 *   {"id":117,"at":"2026-09-01T09:01:30Z","is":"watched","from":0,"to":30,"of":240}]}</pre>
 */
public final class StoredVisit {
  /** What is stored as the kind of such a row. */
  public static final String NAME = "visit";

  /** Where the parts stand in its body. */
  public static final String PARTS = "parts";

  /** Where the step stands in its body. */
  public static final String STEP = "step";

  private static final JsonMapper MAPPER = CoreJson.mapper();

  private StoredVisit() {}

  /** The step at which a fact is part of a visit; empty for all other facts and corrections. */
  public static Optional<StepId> step(Fact fact) {
    if (fact.replaces().isPresent()) return Optional.empty();
    return switch (fact.what()) {
      case TimeFact.SpentTime spent -> Optional.of(spent.step());
      case FilmFact.Watched watched -> Optional.of(watched.step());
      default -> Optional.empty();
    };
  }

  /** The body of a visit that begins with a fact. */
  public static ObjectNode begin(Fact first) {
    ObjectNode body = MAPPER.createObjectNode();
    body.put(STEP, step(first).orElseThrow().value());
    body.putArray(PARTS).add(part(first));
    return body;
  }

  /** A fact as a part of its visit. */
  public static ObjectNode part(Fact fact) {
    ObjectNode part = MAPPER.createObjectNode();
    part.put("id", fact.id().value());
    part.set("at", MAPPER.valueToTree(fact.at()));
    part.setAll((ObjectNode) MAPPER.valueToTree(fact.what()));
    part.remove(STEP);
    return part;
  }

  /**
   * The facts of a visit, in the order in which they happened.
   *
   * @param by whose visit it was
   */
  public static List<Fact> facts(ObjectNode body, Optional<PersonId> by) {
    List<Fact> facts = new ArrayList<>();
    for (JsonNode node : body.get(PARTS)) {
      ObjectNode part = (ObjectNode) node.deepCopy();
      var id = new FactId(part.remove("id").longValue());
      Instant at = Instant.parse(part.remove("at").stringValue());
      part.set(STEP, body.get(STEP));
      String name = part.remove("is").stringValue();
      facts.add(new Fact(id, at, by, CoreJson.fact(name, part), Optional.empty()));
    }
    return facts;
  }
}
