package yendrik.formats.credential;

import com.apicatalog.jsonld.JsonLd;
import com.apicatalog.jsonld.JsonLdError;
import com.apicatalog.jsonld.document.JsonDocument;
import com.apicatalog.rdf.api.RdfConsumerException;
import com.apicatalog.rdf.canon.RdfCanon;
import com.apicatalog.rdf.nquads.NQuadsWriter;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import tools.jackson.databind.JsonNode;
import yendrik.core.Refusal;

/** What a document says, in one form for all ways to write it (RDFC-1.0 over JSON-LD 1.1). */
final class Canonical {
  private Canonical() {}

  /**
   * @throws Refusal if it is no JSON-LD, or in a context that does not ship
   */
  static String of(JsonNode document) {
    var canon = RdfCanon.create("SHA-256");
    var out = new StringWriter();
    try {
      JsonLd.toRdf(JsonDocument.of(new StringReader(document.toString())))
          .loader(Contexts.SHIPPED)
          .provide(canon);
      canon.provide(new NQuadsWriter(out));
    } catch (JsonLdError | RdfConsumerException e) {
      throw new Refusal("credential-says-nothing");
    }
    return out.toString();
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
