package yendrik.formats.credential;

import com.apicatalog.jsonld.JsonLdError;
import com.apicatalog.jsonld.JsonLdErrorCode;
import com.apicatalog.jsonld.document.Document;
import com.apicatalog.jsonld.document.JsonDocument;
import com.apicatalog.jsonld.loader.DocumentLoader;
import com.apicatalog.jsonld.loader.DocumentLoaderOptions;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The contexts that credentials are written in, as they were published. They ship; nothing is ever
 * fetched, whatever a credential names.
 */
final class Contexts implements DocumentLoader {
  /** Verifiable Credentials Data Model 2.0. */
  static final String CREDENTIALS = "https://www.w3.org/ns/credentials/v2";

  /** Open Badges 3.0. */
  static final String OPEN_BADGES = "https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.3.json";

  static final Contexts SHIPPED = new Contexts();

  private static final Map<String, String> FILES =
      Map.of(
          CREDENTIALS,
          "credentials-v2.json",
          "https://www.w3.org/2018/credentials/v1",
          "credentials-v1.json",
          "https://w3id.org/security/data-integrity/v1",
          "data-integrity-v1.json",
          "https://w3id.org/security/data-integrity/v2",
          "data-integrity-v2.json",
          "https://w3id.org/security/multikey/v1",
          "multikey-v1.json",
          "https://purl.imsglobal.org/spec/ob/v3p0/context.json",
          "open-badges-3.0.0.json",
          "https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.1.json",
          "open-badges-3.0.1.json",
          "https://purl.imsglobal.org/spec/ob/v3p0/context-3.0.2.json",
          "open-badges-3.0.2.json",
          OPEN_BADGES,
          "open-badges-3.0.3.json",
          "https://purl.imsglobal.org/spec/ob/v3p0/extensions.json",
          "open-badges-extensions.json");

  private final Map<String, Document> read = new ConcurrentHashMap<>();

  private Contexts() {}

  static boolean has(String address) {
    return FILES.containsKey(address);
  }

  @Override
  public Document loadDocument(URI url, DocumentLoaderOptions options) throws JsonLdError {
    String file = FILES.get(url.toString());
    if (file == null)
      throw new JsonLdError(JsonLdErrorCode.LOADING_DOCUMENT_FAILED, "not shipped: " + url);
    return read.computeIfAbsent(file, Contexts::read);
  }

  private static Document read(String file) {
    try (InputStream in =
        Contexts.class.getResourceAsStream("/yendrik/formats/credential/" + file)) {
      return JsonDocument.of(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (JsonLdError e) {
      throw new IllegalStateException(e);
    }
  }
}
