package yendrik.formats.credential;

import com.apicatalog.jsonld.JsonLd;
import com.apicatalog.jsonld.JsonLdError;
import com.apicatalog.jsonld.JsonLdOptions;
import com.apicatalog.jsonld.document.JsonDocument;
import com.apicatalog.rdf.api.RdfConsumerException;
import com.apicatalog.rdf.api.RdfQuadConsumer;
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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
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
    var canon = canon();
    quads(document, canon);
    return written(canon);
  }

  private static RdfCanon canon() {
    return RdfCanon.create("SHA-256", new RdfCanonTimeTicker(MOST_MILLIS));
  }

  private static String written(RdfCanon canon) {
    var out = new StringWriter();
    try {
      canon.provide(new NQuadsWriter(out));
    } catch (RdfConsumerException | IllegalStateException _) {
      throw nothing();
    }
    return out.toString();
  }

  private static void quads(JsonNode document, RdfQuadConsumer to) {
    contexts(document);
    var options = new JsonLdOptions(Contexts.SHIPPED);
    options.setUndefinedTermsPolicy(JsonLdOptions.ProcessingPolicy.Fail);
    try {
      JsonArray expanded =
          JsonLd.expand(JsonDocument.of(new StringReader(document.toString())))
              .options(options)
              .get();
      whole(expanded);
      JsonLd.toRdf(JsonDocument.of(expanded)).options(options).provide(to);
    } catch (JsonLdError | IllegalStateException _) {
      throw nothing();
    }
  }

  /**
   * A document read once, of which some values are put in again and again: what many documents say
   * alike costs once. Values may be names where the document has names, and texts where it has
   * texts; nothing looks at them again.
   *
   * <p>Names for what has none hang on what is said of that alone, so only this is worked out; all
   * else is written and put in order.
   */
  static final class Form {
    private final List<Quad> unnamed = new ArrayList<>();
    private final List<Quad> open = new ArrayList<>();
    private final Set<String> written = new TreeSet<>();

    /** The parts of a quad, in the order of {@link RdfQuadConsumer}. */
    private record Quad(List<Optional<String>> parts) {
      Quad with(Map<String, String> values) {
        return new Quad(
            parts.stream().map(part -> part.map(p -> values.getOrDefault(p, p))).toList());
      }

      boolean names(Predicate<String> what) {
        return parts.stream().flatMap(Optional::stream).anyMatch(what);
      }

      /** Whether it says something of what has no name. */
      boolean unnamed() {
        return Stream.of(0, 2, 6)
            .flatMap(n -> parts.get(n).stream())
            .anyMatch(part -> part.startsWith("_:"));
      }

      void provide(RdfQuadConsumer to) {
        try {
          to.quad(part(0), part(1), part(2), part(3), part(4), part(5), part(6));
        } catch (RdfConsumerException e) {
          throw new IllegalStateException(e);
        }
      }

      private @Nullable String part(int n) {
        return parts.get(n).orElse(null);
      }
    }

    /**
     * @param document with a value of its own, a whole name, in each place that is to be filled
     * @param filled whether a name is such a value
     * @throws Refusal as for any document
     */
    Form(JsonNode document, Predicate<String> filled) {
      List<Quad> all = new ArrayList<>();
      quads(document, new Collector(all));
      for (Quad quad : all)
        if (quad.unnamed()) unnamed.add(quad);
        else if (quad.names(filled)) open.add(quad);
        else written.add(line(quad));
    }

    private static String line(Quad quad) {
      var out = new StringWriter();
      quad.provide(new NQuadsWriter(out));
      return out.toString();
    }

    /** Takes quads down. */
    private record Collector(List<Quad> quads) implements RdfQuadConsumer {
      @Override
      public RdfQuadConsumer quad(
          String subject,
          String predicate,
          String object,
          @Nullable String datatype,
          @Nullable String language,
          @Nullable String direction,
          @Nullable String graph) {
        quads.add(
            new Quad(
                Stream.of(subject, predicate, object, datatype, language, direction, graph)
                    .map(Optional::ofNullable)
                    .toList()));
        return this;
      }
    }

    /** The hash of the document with these in the places of its own values. */
    byte[] hash(Map<String, String> values) {
      Set<String> lines = new TreeSet<>(written);
      for (Quad quad : open) lines.add(line(quad.with(values)));
      var canon = canon();
      for (Quad quad : unnamed) quad.with(values).provide(canon);
      lines.addAll(Canonical.written(canon).lines().map(line -> line + "\n").toList());
      MessageDigest digest = sha256();
      lines.forEach(line -> digest.update(line.getBytes(StandardCharsets.UTF_8)));
      return digest.digest();
    }
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
    return sha256().digest(bytes);
  }

  private static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
