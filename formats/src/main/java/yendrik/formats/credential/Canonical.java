package yendrik.formats.credential;

import com.apicatalog.jsonld.JsonLd;
import com.apicatalog.jsonld.JsonLdError;
import com.apicatalog.jsonld.JsonLdOptions;
import com.apicatalog.jsonld.document.JsonDocument;
import com.apicatalog.rdf.api.RdfConsumerException;
import com.apicatalog.rdf.canon.RdfCanon;
import com.apicatalog.rdf.canon.RdfCanonTimeTicker;
import com.apicatalog.rdf.nquads.NQuadsWriter;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.io.StringReader;
import java.io.StringWriter;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import yendrik.core.Refusal;

/**
 * What a document says, in one form for all ways to write it (RDFC-1.0 over JSON-LD 1.1). What
 * linked data would pass over in silence (words of no vocabulary, names that are not whole) is
 * refused: it would be seen by whoever reads the document, and be in no signature.
 */
final class Canonical {
  private static final String CONTEXT = "@context";

  /** Documents can be made that take for ever. */
  private static final long MOST_MILLIS = 3_000;

  private Canonical() {}

  /**
   * @throws Refusal if it is no JSON-LD, in a context that does not ship or that it brings along,
   *     or says anything that would be passed over
   */
  static String of(JsonNode document) {
    contexts(document);
    var options = new JsonLdOptions(Contexts.SHIPPED);
    options.setUndefinedTermsPolicy(JsonLdOptions.ProcessingPolicy.Fail);
    var canon = RdfCanon.create("SHA-256", new RdfCanonTimeTicker(MOST_MILLIS));
    var out = new StringWriter();
    try {
      JsonArray expanded =
          JsonLd.expand(JsonDocument.of(new StringReader(document.toString())))
              .options(options)
              .get();
      whole(expanded);
      JsonLd.toRdf(JsonDocument.of(expanded)).options(options).provide(canon);
      canon.provide(new NQuadsWriter(out));
    } catch (JsonLdError | RdfConsumerException | IllegalStateException e) {
      throw nothing();
    }
    return out.toString();
  }

  private static Refusal nothing() {
    return new Refusal("credential-says-nothing");
  }

  /** Contexts stand at the top, by the names of those that ship. */
  private static void contexts(JsonNode document) {
    JsonNode top = document.path(CONTEXT);
    for (JsonNode context : top.isArray() ? top : List.of(top))
      if (!context.isString() || !Contexts.has(context.asString())) throw nothing();
    for (JsonNode part : document) noContext(part);
  }

  private static void noContext(JsonNode part) {
    if (part.has(CONTEXT)) throw nothing();
    for (JsonNode within : part) noContext(within);
  }

  /** Whether all that is named in an expanded document is named in full. */
  private static void whole(JsonValue value) {
    if (value instanceof JsonArray all) all.forEach(Canonical::whole);
    if (!(value instanceof JsonObject node)) return;
    for (Map.Entry<String, JsonValue> entry : node.entrySet())
      switch (entry.getKey()) {
        case "@id", "@type" -> named(entry.getValue());
        default -> whole(entry.getValue());
      }
  }

  private static void named(JsonValue name) {
    if (name instanceof JsonArray all) all.forEach(Canonical::named);
    else if (!(name instanceof JsonString text) || !isWhole(text.getString())) throw nothing();
  }

  private static boolean isWhole(String name) {
    if (name.startsWith("@")) return name.equals("@json");
    try {
      return name.startsWith("_:") || new URI(name).isAbsolute();
    } catch (URISyntaxException _) {
      return false;
    }
  }

  static byte[] hash(JsonNode document) {
    return sha256(of(document).getBytes(StandardCharsets.UTF_8));
  }

  static byte[] sha256(byte[] bytes) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
