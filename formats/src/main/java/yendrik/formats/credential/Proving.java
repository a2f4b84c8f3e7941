package yendrik.formats.credential;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Proves many badges as {@link DataIntegrity} does each: what they say alike is read as linked data
 * once, and only what differs from one holder to the next is put in. For the awards of a round; it
 * keeps what it has read.
 */
public final class Proving {
  private static final List<String> DIFFERENT =
      List.of(
          "/id",
          "/validFrom",
          "/validUntil",
          "/awardedDate",
          "/credentialSubject/identifier/0/identityHash",
          "/credentialSubject/identifier/0/salt",
          "/credentialStatus/id",
          "/credentialStatus/statusListIndex",
          "/" + DataIntegrity.CREATED);

  /** So that no badge says a place by chance. */
  private final String mark = "urn:place:" + UUID.randomUUID() + ":";

  private final Map<String, Canonical.Form> read = new ConcurrentHashMap<>();

  /** The badge with a proof. */
  public ObjectNode signed(OpenBadge badge, IssuerKeys keys, Instant created) {
    ObjectNode document = badge.json(keys.didKey());
    ObjectNode proof = DataIntegrity.proof(keys.method(), created);
    return DataIntegrity.signed(
        document,
        proof,
        keys.edwards().getPrivate(),
        hash(DataIntegrity.configuration(document, proof)),
        hash(document));
  }

  private byte[] hash(ObjectNode document) {
    ObjectNode form = document.deepCopy();
    Map<String, String> values = new HashMap<>();
    for (String place : places(document)) {
      JsonPointer at = JsonPointer.compile(place);
      JsonNode value = document.at(at);
      if (!value.isString()) continue;
      String marker = mark + values.size();
      values.put(marker, value.asString());
      ((ObjectNode) form.at(at.head())).put(at.last().getMatchingProperty(), marker);
    }
    return read.computeIfAbsent(
            form.toString(), _ -> new Canonical.Form(form, part -> part.startsWith(mark)))
        .hash(values);
  }

  private static List<String> places(ObjectNode document) {
    List<String> places = new ArrayList<>(DIFFERENT);
    int results = document.at("/credentialSubject/result").size();
    for (int n = 0; n < results; n++)
      for (String own : List.of("/id", "/achievedLevel", "/value"))
        places.add("/credentialSubject/result/" + n + own);
    return places;
  }
}
