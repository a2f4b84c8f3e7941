package yendrik.formats.credential;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * All badges of somebody as one credential: 1EdTech Comprehensive Learner Record 2.0, as a token
 * with RS256. Each badge in it has its own proof as well.
 */
public final class OpenRecord {
  static final String TYPE = "ClrCredential";
  private static final String CONTEXT =
      "https://purl.imsglobal.org/spec/clr/v2p0/context-2.0.1.json";

  private OpenRecord() {}

  /**
   * @param name of the record
   * @param credentials with their proofs
   */
  public static String token(
      UUID id,
      String name,
      OpenBadge.Issuer issuer,
      OpenBadge.Holder holder,
      List<JsonNode> credentials,
      IssuerKeys keys,
      Instant at) {
    String by = keys.didJwk();
    ObjectNode all = JsonNodeFactory.instance.objectNode();
    all.putArray("@context").add(Contexts.CREDENTIALS).add(CONTEXT).add(Contexts.OPEN_BADGES);
    all.put("id", "urn:uuid:" + id);
    all.putArray("type").add("VerifiableCredential").add(TYPE);
    all.put("name", name);
    all.set("issuer", OpenBadge.issuer(issuer, by));
    all.put("validFrom", OpenBadge.second(at));
    ObjectNode subject = all.putObject("credentialSubject");
    subject.putArray("type").add("ClrSubject");
    subject.set("identifier", OpenBadge.identifier(holder));
    ArrayNode within = subject.putArray("verifiableCredential");
    credentials.forEach(within::add);
    all.put("iss", by);
    all.put("jti", "urn:uuid:" + id);
    all.put("nbf", at.getEpochSecond());
    return Token.signed(all, keys, by);
  }
}
