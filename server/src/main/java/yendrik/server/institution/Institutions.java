package yendrik.server.institution;

import static yendrik.schema.Tables.INSTITUTION;
import static yendrik.schema.Tables.INSTITUTION_PICTURE;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import yendrik.core.look.Look;
import yendrik.core.words.Catalogue;
import yendrik.core.words.OwnWords;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;

/** The institution's row, and how sentences are written to its people. */
@Component
public class Institutions {
  /** Every server has changed words within so long. */
  private static final Duration KEPT = Duration.ofSeconds(30);

  /** For so long nobody tries again what could not be read. */
  private static final Duration PAUSE = Duration.ofSeconds(5);

  private static final Logger LOG = LoggerFactory.getLogger(Institutions.class);
  private static final TypeReference<Map<String, String>> TEXTS = new TypeReference<>() {};
  private final DSLContext db;
  private final JsonMapper json;
  private final LoadingCache<Integer, Ready> ready =
      Caffeine.newBuilder().refreshAfterWrite(KEPT).build(_ -> load());

  private volatile long missed = System.nanoTime() - PAUSE.toNanos();

  private record Ready(Institution institution, Catalogue catalogue, OwnWords said) {}

  public Institutions(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  private Ready load() {
    Institution row =
        db.selectFrom(INSTITUTION)
            .fetchSingle(r ->
                new Institution(
                    r.getName(),
                    r.getIssuer(),
                    r.getIssuerAddress(),
                    r.getIssuerEmail(),
                    written(r.getLook()),
                    texts(r.getWords()),
                    picture()));
    OwnWords said =
        db.select(INSTITUTION.OWN_WORDS).from(INSTITUTION).fetchSingle(INSTITUTION.OWN_WORDS);
    return new Ready(row, Catalogue.english().with(row.words()), said);
  }

  private static Map<Look.Place, String> written(Look look) {
    Map<Look.Place, String> colours = new EnumMap<>(Look.Place.class);
    look.colours().forEach((place, colour) -> colours.put(place, colour.written()));
    return colours;
  }

  private Optional<String> picture() {
    return db.select(INSTITUTION_PICTURE.HASH)
        .from(INSTITUTION_PICTURE)
        .fetchOptional(INSTITUTION_PICTURE.HASH);
  }

  /**
   * What stands beside its name.
   *
   * @param mediaType PNG or JPEG
   */
  public record Mark(String mediaType, byte[] content) {}

  /** What stands beside its name, if anything does. */
  public Optional<Mark> mark() {
    return db.selectFrom(INSTITUTION_PICTURE)
        .fetchOptional(p -> new Mark(p.getMediaType(), p.getContent()));
  }

  private Map<String, String> texts(JSONB stored) {
    return json.readValue(stored.data(), TEXTS);
  }

  public Institution now() {
    return ready.get(1).institution;
  }

  /** What it says to learners in words of its own. */
  public OwnWords said() {
    return ready.get(1).said;
  }

  /** Writes what it is called and which sentences it says otherwise. */
  public void write(Institution institution) {
    db.update(INSTITUTION)
        .set(INSTITUTION.NAME, institution.name())
        .set(INSTITUTION.ISSUER, institution.issuer())
        .set(INSTITUTION.ISSUER_ADDRESS, institution.issuerAddress())
        .set(INSTITUTION.ISSUER_EMAIL, institution.issuerEmail())
        .set(INSTITUTION.WORDS, JSONB.valueOf(json.writeValueAsString(institution.words())))
        .execute();
    changed();
  }

  /** Has it read again by whoever asks next: it was changed. */
  public void changed() {
    ready.invalidateAll();
  }

  /** How sentences and dates are written to whoever reads them now, in a time zone. */
  public Writing writing(ZoneId zone, Instant now) {
    return Writing.of(catalogue(), zone, now);
  }

  /**
   * The sentences as they ship where the row cannot be read: a failure must be said too, and soon,
   * so that only the first sentence waits.
   */
  public Catalogue catalogue() {
    if (System.nanoTime() - missed < PAUSE.toNanos()) return Catalogue.english();
    try {
      return ready.get(1).catalogue;
    } catch (RuntimeException e) {
      LOG.warn("the institution's words cannot be read: {}", e.getMessage());
      missed = System.nanoTime();
      return Catalogue.english();
    }
  }

  /** Has the words at hand before anybody asks: they may be needed to say that they are away. */
  @EventListener(ApplicationReadyEvent.class)
  void atHand() {
    catalogue();
  }

  /** A sentence that has no dates in it. */
  public String say(Phrase phrase) {
    return new Writing(catalogue(), ZoneOffset.UTC, 0).say(phrase);
  }
}
