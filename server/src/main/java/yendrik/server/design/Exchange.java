package yendrik.server.design;

import static java.util.Objects.requireNonNull;
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
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.core.words.Phrase;
import yendrik.formats.framework.Framework;
import yendrik.formats.framework.FrameworkFormat;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.jobs.Meter;

/** Outcomes in and out of a course, in open formats. Nothing that stands is ever taken away. */
@Service
@Transactional
public class Exchange {
  private static final int AT_ONCE = 500;
  private static final LevelRule USUAL = LevelRule.of(new LevelMethod.MostRecent());
  private final DSLContext db;
  private final DraftStore drafts;
  private final Rubrics rubrics;
  private final Institutions institutions;
  private final Clock clock;
  private final String address;

  Exchange(
      DSLContext db,
      DraftStore drafts,
      Rubrics rubrics,
      Institutions institutions,
      Clock clock,
      @Value("${yendrik.address}") String address) {
    this.db = db;
    this.drafts = drafts;
    this.rubrics = rubrics;
    this.institutions = institutions;
    this.clock = clock;
    this.address = address;
  }

  /** What is to be written of a course. */
  record Written(Framework framework, FrameworkFormat.Origin origin) {}

  @Transactional(readOnly = true)
  Written written(CourseId course) {
    return new Written(framework(course), new FrameworkFormat.Origin(address, lastChanged(course)));
  }

  /** When any of the course's outcomes was changed last; now for a course without outcomes. */
  private Instant lastChanged(CourseId course) {
    return drafts.outcomes(course).stream()
        .map(OutcomeRecord::getChangedAt)
        .max(Comparator.naturalOrder())
        .orElseGet(clock::instant);
  }

  private Framework framework(CourseId course) {
    var row = db.selectFrom(COURSE).where(COURSE.ID.eq(course)).fetchSingle();
    List<OutcomeRecord> outcomes = drafts.outcomes(course);
    Map<OutcomeId, String> codes = new HashMap<>();
    outcomes.forEach(o -> codes.put(o.getId(), o.getCode()));
    List<Framework.Item> items =
        outcomes.stream()
            .map(o ->
                new Framework.Item(
                    Optional.of(o.getIdentifier()),
                    o.getCode(),
                    o.getName(),
                    o.getDescription(),
                    Optional.of(o.getGroupPath()),
                    made(o, codes)))
            .toList();
    return new Framework(row.getIdentifier(), row.getName(), items, rubrics.sheets(course));
  }

  private static Optional<Framework.Made> made(OutcomeRecord o, Map<OutcomeId, String> codes) {
    return Optional.ofNullable(o.getMadeOf())
        .map(m ->
            new Framework.Made(
                m.how(), m.parts().stream().filter(codes::containsKey).map(codes::get).toList()));
  }

  /**
   * What a file would bring.
   *
   * @param fresh items that no outcome of the course corresponds to, by code and name
   * @param changed what would read differently, in words
   * @param missing outcomes that the file does not have; they stay as they are
   * @param held outcomes whose words belong to a framework of the institution; they stay as they
   *     are
   * @param rubrics that the course does not have, by name; those that it has stay as they are
   * @param same how many stand as they are in the file
   */
  public record Comparison(
      List<String> fresh,
      List<String> changed,
      List<String> missing,
      List<String> held,
      List<String> rubrics,
      int same) {}

  /** Compares a file with the course's outcomes; nothing is changed. */
  @Transactional(readOnly = true)
  public Comparison compare(CourseId course, Framework file) {
    var known = new Known(drafts.outcomes(course));
    refuseUnknownParts(file, known);
    return compare(course, file, known);
  }

  private Comparison compare(CourseId course, Framework file, Known known) {
    List<String> fresh = new ArrayList<>();
    List<String> changed = new ArrayList<>();
    List<String> held = new ArrayList<>();
    int same = 0;
    Set<OutcomeId> met = new HashSet<>();
    for (Framework.Item item : file.items()) {
      Optional<OutcomeRecord> own = known.like(item);
      if (own.isEmpty()) {
        fresh.add(item.code() + " " + item.statement());
        continue;
      }
      OutcomeRecord row = own.get();
      met.add(row.getId());
      List<Phrase> words = words(row, item);
      List<Phrase> place = place(row, item, known);
      boolean theirs = row.getAdoptedFrom() != null;
      if (theirs && !words.isEmpty()) held.add(row.getCode());
      List<Phrase> what = theirs ? place : Stream.concat(words.stream(), place.stream()).toList();
      if (!what.isEmpty()) changed.add(said(row, what));
      else if (words.isEmpty()) same++;
    }
    List<String> missing =
        known.all.stream()
            .filter(o -> !met.contains(o.getId()))
            .map(o -> o.getCode() + " " + o.getName())
            .toList();
    List<String> sheets =
        rubrics.fresh(course, file.rubrics()).stream().map(Framework.Sheet::title).toList();
    return new Comparison(fresh, changed, missing, held, sheets, same);
  }

  private String said(OutcomeRecord row, List<Phrase> what) {
    return institutions.say(
        Phrase.of("exchange.changed", "outcome", row.getCode(), "what", new Phrase.Listed(what)));
  }

  private static Phrase.Listed listed(List<String> names) {
    return new Phrase.Listed(names.stream().map(Phrase::text).toList());
  }

  private static List<Phrase> words(OutcomeRecord own, Framework.Item item) {
    List<Phrase> what = new ArrayList<>();
    if (!own.getCode().equals(item.code()))
      what.add(Phrase.of("exchange.code", "code", item.code()));
    if (!own.getName().equals(item.statement()))
      what.add(Phrase.of("exchange.name", "name", item.statement()));
    if (!own.getDescription().equals(item.description()))
      what.add(Phrase.of("exchange.description"));
    return what;
  }

  /** What is the course's even where the words are not: the group, and the parts. */
  private static List<Phrase> place(OutcomeRecord own, Framework.Item item, Known known) {
    List<Phrase> what = new ArrayList<>();
    item.group()
        .filter(group -> !group.equals(own.getGroupPath()))
        .ifPresent(group ->
            what.add(
                group.isEmpty()
                    ? Phrase.of("exchange.no-group")
                    : Phrase.of("exchange.group", "group", String.join(" / ", group))));
    item.made()
        .filter(made -> !made(own, known.codes).equals(Optional.of(made)))
        .ifPresent(made -> what.add(Phrase.of("exchange.parts", "parts", listed(made.parts()))));
    return what;
  }

  /** By identifier first, then by code. */
  private static final class Known {
    private final List<OutcomeRecord> all;
    private final Map<UUID, OutcomeRecord> byIdentifier = new HashMap<>();
    private final Map<String, OutcomeRecord> byCode = new HashMap<>();
    private final Map<OutcomeId, String> codes = new HashMap<>();

    Known(List<OutcomeRecord> all) {
      this.all = all;
      for (OutcomeRecord o : all) {
        byIdentifier.put(o.getIdentifier(), o);
        byCode.put(o.getCode(), o);
        codes.put(o.getId(), o.getCode());
      }
    }

    Optional<OutcomeRecord> like(Framework.Item item) {
      return item.identifier()
          .map(byIdentifier::get)
          .or(() -> Optional.ofNullable(byCode.get(item.code())));
    }
  }

  /**
   * Takes what is new and changed from a file: all of it, or with a Problem nothing.
   *
   * @param scale on which new outcomes are rated
   */
  public Comparison take(CourseId course, Framework file, ScaleId scale, Meter meter) {
    db.selectFrom(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetchSingle();
    var known = new Known(drafts.outcomes(course));
    Comparison comparison = compare(course, file, known);
    boolean own = drafts.scales(course).stream().anyMatch(s -> s.getId().equals(scale));
    if (!own) throw Problem.field("scale", "scale-of-course");
    refuseUnknownParts(file, known);
    int last = known.all.stream().mapToInt(OutcomeRecord::getPosition).max().orElse(-1);
    List<OutcomeRecord> changed = new ArrayList<>();
    List<OutcomeRecord> fresh = new ArrayList<>();
    for (Framework.Item item : file.items()) {
      Optional<OutcomeRecord> there = known.like(item);
      if (there.isEmpty()) fresh.add(fresh(course, item, scale, last + 1 + fresh.size()));
      else if (put(there.get(), item)) changed.add(there.get());
    }
    refuseDoubles(known.all, fresh);
    int of = changed.size() + fresh.size();
    int done = 0;
    for (List<OutcomeRecord> some : parts(changed)) {
      db.batchUpdate(some).execute();
      meter.done(done += some.size(), of);
    }
    for (List<OutcomeRecord> some : parts(fresh)) {
      db.batchInsert(some).execute();
      meter.done(done += some.size(), of);
    }
    compose(course, file);
    rubrics.bring(course, file.rubrics());
    return comparison;
  }

  private static List<List<OutcomeRecord>> parts(List<OutcomeRecord> all) {
    List<List<OutcomeRecord>> parts = new ArrayList<>();
    for (int from = 0; from < all.size(); from += AT_ONCE)
      parts.add(all.subList(from, Math.min(all.size(), from + AT_ONCE)));
    return parts;
  }

  private OutcomeRecord fresh(CourseId course, Framework.Item item, ScaleId scale, int position) {
    OutcomeRecord row = db.newRecord(OUTCOME);
    row.setCourseId(course);
    row.setScaleId(scale);
    row.setLevelRule(USUAL);
    row.setIdentifier(item.identifier().orElseGet(UUID::randomUUID));
    row.setPosition(position);
    row.setChangedAt(clock.instant());
    row.setCode(item.code());
    row.setName(item.statement());
    row.setDescription(item.description());
    row.setGroupPath(item.group().orElse(List.of()));
    return row;
  }

  /** Puts the file's words and group on a row; whether that changed anything. */
  private boolean put(OutcomeRecord row, Framework.Item item) {
    boolean words = row.getAdoptedFrom() == null && !words(row, item).isEmpty();
    boolean group = item.group().isPresent() && !item.group().get().equals(row.getGroupPath());
    if (words) {
      row.setCode(item.code());
      row.setName(item.statement());
      row.setDescription(item.description());
    }
    if (group) row.setGroupPath(item.group().orElseThrow());
    if (!words && !group) return false;
    row.setChangedAt(clock.instant());
    return true;
  }

  /** Parts are rows only after all items are. */
  private void compose(CourseId course, Framework file) {
    List<Framework.Item> composed =
        file.items().stream().filter(i -> i.made().isPresent()).toList();
    if (composed.isEmpty()) return;
    var now = new Known(drafts.outcomes(course));
    for (Framework.Item item : composed) {
      Framework.Made made = item.made().orElseThrow();
      OutcomeRecord row = now.like(item).orElseThrow();
      if (made(row, now.codes).equals(item.made())) continue;
      List<OutcomeId> parts =
          made.parts().stream().map(c -> requireNonNull(now.byCode.get(c)).getId()).toList();
      row.setMadeOf(new Composition(parts, made.how()));
      row.update();
    }
  }

  private static void refuseUnknownParts(Framework file, Known known) {
    Set<String> there = new HashSet<>(known.byCode.keySet());
    file.items().forEach(i -> there.add(i.code()));
    List<Phrase> faults =
        file.items().stream()
            .flatMap(i ->
                i.made().stream()
                    .flatMap(m -> m.parts().stream())
                    .filter(p -> !there.contains(p) || p.equals(i.code()))
                    .map(p -> Phrase.of("exchange.unknown-part", "outcome", i.code(), "part", p)))
            .toList();
    if (!faults.isEmpty()) throw Problem.faults(faults, "file-has-faults");
  }

  /** A code of the file may be that of an outcome which has another identifier. */
  private static void refuseDoubles(List<OutcomeRecord> known, List<OutcomeRecord> fresh) {
    Map<String, Integer> codes = new HashMap<>();
    known.forEach(o -> codes.merge(o.getCode(), 1, Integer::sum));
    fresh.forEach(o -> codes.merge(o.getCode(), 1, Integer::sum));
    List<Phrase> twice =
        codes.entrySet().stream()
            .filter(e -> e.getValue() > 1)
            .map(Map.Entry::getKey)
            .sorted()
            .map(code -> Phrase.of("exchange.code-twice", "code", code))
            .toList();
    if (!twice.isEmpty()) throw Problem.faults(twice, "file-has-faults");
  }
}
