package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.OUTCOME;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.formats.framework.Framework;
import yendrik.formats.framework.FrameworkCase;
import yendrik.formats.framework.FrameworkCsv;
import yendrik.formats.framework.Unreadable;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.server.http.Problem;

/** Outcomes in and out of a course, in open formats. Nothing that stands is ever taken away. */
@Service
@Transactional
public class Exchange {
  private final DSLContext db;
  private final DraftStore drafts;
  private final Clock clock;
  private final String address;

  Exchange(
      DSLContext db, DraftStore drafts, Clock clock, @Value("${yendrik.address}") String address) {
    this.db = db;
    this.drafts = drafts;
    this.clock = clock;
    this.address = address;
  }

  /** Formats of files. */
  public enum Format {
    /** CASE 1.1, JSON. */
    CASE,
    CSV
  }

  @Transactional(readOnly = true)
  public String write(CourseId course, Format format) {
    Framework framework = framework(course);
    return switch (format) {
      case CASE -> FrameworkCase.write(framework, address + "/ims/case/v1p1", lastChanged(course));
      case CSV -> FrameworkCsv.write(framework);
    };
  }

  /** When any of the course's outcomes was changed last; now for a course without outcomes. */
  private Instant lastChanged(CourseId course) {
    return drafts.outcomes(course).stream()
        .map(OutcomeRecord::getChangedAt)
        .max(Comparator.naturalOrder())
        .orElseGet(clock::instant);
  }

  private Framework framework(CourseId course) {
    var row = db.selectFrom(COURSE).where(COURSE.ID.eq(course.value())).fetchSingle();
    List<OutcomeRecord> outcomes = drafts.outcomes(course);
    Map<OutcomeId, UUID> identifiers = new HashMap<>();
    outcomes.forEach(o -> identifiers.put(new OutcomeId(o.getId()), o.getIdentifier()));
    List<Framework.Item> items =
        outcomes.stream()
            .map(o ->
                new Framework.Item(
                    Optional.of(o.getIdentifier()),
                    o.getCode(),
                    o.getName(),
                    o.getDescription(),
                    made(o).stream()
                        .flatMap(m -> m.parts().stream())
                        .flatMap(p -> Optional.ofNullable(identifiers.get(p)).stream())
                        .toList()))
            .toList();
    return new Framework(row.getIdentifier(), row.getName(), items);
  }

  private static Optional<Composition> made(OutcomeRecord o) {
    return Optional.ofNullable(o.getMadeOf()).map(m -> Json.read(m, Composition.class));
  }

  /**
   * What a file would bring.
   *
   * @param fresh items that no outcome of the course corresponds to, by code and name
   * @param changed what would read differently, in words
   * @param missing outcomes that the file does not have; they stay as they are
   * @param held outcomes whose words belong to a framework of the institution; they stay as they
   *     are
   * @param same how many stand as they are in the file
   */
  public record Comparison(
      List<String> fresh,
      List<String> changed,
      List<String> missing,
      List<String> held,
      int same) {}

  /** Compares a file with the course's outcomes; nothing is changed. */
  @Transactional(readOnly = true)
  public Comparison compare(CourseId course, Format format, String text) {
    List<String> fresh = new ArrayList<>();
    List<String> changed = new ArrayList<>();
    List<String> held = new ArrayList<>();
    int same = 0;
    Set<Long> met = new HashSet<>();
    var known = new Known(drafts.outcomes(course));
    for (Framework.Item item : read(format, text).items()) {
      Optional<OutcomeRecord> own = known.like(item);
      if (own.isEmpty()) fresh.add(item.code() + " " + item.statement());
      else {
        met.add(own.get().getId());
        List<String> what = differences(own.get(), item);
        if (what.isEmpty()) same++;
        else if (own.get().getAdoptedFrom() != null) held.add(own.get().getCode());
        else changed.add(own.get().getCode() + ": " + String.join(", ", what));
      }
    }
    List<String> missing =
        known.all.stream()
            .filter(o -> !met.contains(o.getId()))
            .map(o -> o.getCode() + " " + o.getName())
            .toList();
    return new Comparison(fresh, changed, missing, held, same);
  }

  private static List<String> differences(OutcomeRecord own, Framework.Item item) {
    List<String> what = new ArrayList<>();
    if (!own.getCode().equals(item.code())) what.add("code becomes " + item.code());
    if (!own.getName().equals(item.statement()))
      what.add("name becomes “" + item.statement() + "”");
    if (!own.getDescription().equals(item.description())) what.add("another description");
    return what;
  }

  /** By identifier first, then by code. */
  private static final class Known {
    private final List<OutcomeRecord> all;
    private final Map<UUID, OutcomeRecord> byIdentifier = new HashMap<>();
    private final Map<String, OutcomeRecord> byCode = new HashMap<>();

    Known(List<OutcomeRecord> all) {
      this.all = all;
      for (OutcomeRecord o : all) {
        byIdentifier.put(o.getIdentifier(), o);
        byCode.put(o.getCode(), o);
      }
    }

    Optional<OutcomeRecord> like(Framework.Item item) {
      return item.identifier()
          .map(byIdentifier::get)
          .or(() -> Optional.ofNullable(byCode.get(item.code())));
    }
  }

  /**
   * Takes what is new and changed from a file.
   *
   * @param scale on which new outcomes are rated
   */
  public Comparison take(CourseId course, Format format, String text, long scale) {
    db.selectFrom(COURSE).where(COURSE.ID.eq(course.value())).forUpdate().fetchSingle();
    Comparison comparison = compare(course, format, text);
    boolean own = drafts.scales(course).stream().anyMatch(s -> s.getId() == scale);
    if (!own) throw Problem.field("scale", "Choose one of the course's scales.");
    var known = new Known(drafts.outcomes(course));
    int position = known.all.stream().mapToInt(OutcomeRecord::getPosition).max().orElse(-1);
    JSONB rule = Json.of(LevelRule.of(new LevelMethod.MostRecent()));
    List<OutcomeRecord> changed = new ArrayList<>();
    List<OutcomeRecord> fresh = new ArrayList<>();
    for (Framework.Item item : read(format, text).items()) {
      OutcomeRecord row = known.like(item).orElse(null);
      if (row == null) {
        row = db.newRecord(OUTCOME);
        row.setCourseId(course.value());
        row.setScaleId(scale);
        row.setLevelRule(rule);
        row.setIdentifier(item.identifier().orElseGet(UUID::randomUUID));
        row.setPosition(++position);
        row.setVersion(1);
        row.setChangedAt(clock.instant());
        fresh.add(row);
      } else if (row.getAdoptedFrom() != null || differences(row, item).isEmpty()) continue;
      else {
        row.setVersion(row.getVersion() + 1);
        row.setChangedAt(clock.instant());
        changed.add(row);
      }
      row.setCode(item.code());
      row.setName(item.statement());
      row.setDescription(item.description());
    }
    refuseDoubles(known.all, fresh);
    db.batchUpdate(changed).execute();
    db.batchInsert(fresh).execute();
    return comparison;
  }

  /** A code of the file may be that of an outcome which has another identifier. */
  private static void refuseDoubles(List<OutcomeRecord> known, List<OutcomeRecord> fresh) {
    Map<String, Integer> codes = new HashMap<>();
    known.forEach(o -> codes.merge(o.getCode(), 1, Integer::sum));
    fresh.forEach(o -> codes.merge(o.getCode(), 1, Integer::sum));
    List<String> twice =
        codes.entrySet().stream()
            .filter(e -> e.getValue() > 1)
            .map(e -> "Code " + e.getKey() + " would stand twice. Change one of them first.")
            .sorted()
            .toList();
    if (!twice.isEmpty()) throw Problem.faults("The file cannot be taken as it is.", twice);
  }

  private static Framework read(Format format, String text) {
    try {
      return switch (format) {
        case CASE -> FrameworkCase.read(text);
        case CSV -> FrameworkCsv.read(text);
      };
    } catch (Unreadable e) {
      throw Problem.faults("The file cannot be taken as it is.", e.faults());
    }
  }
}
