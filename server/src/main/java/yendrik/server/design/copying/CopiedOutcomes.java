package yendrik.server.design.copying;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.SCALE;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.outcome.Composition;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.ScaleRecord;

/**
 * Outcomes in the course that something is copied to: those that are there already, by their
 * identifiers, or by code and name, and those that come along with their parts and scales.
 */
final class CopiedOutcomes {
  private static final int LONGEST_CODE = 20;
  private final DSLContext db;
  private final Clock clock;
  private final CourseId to;
  private final Map<OutcomeId, OutcomeRecord> theirs = new LinkedHashMap<>();
  private final Map<UUID, OutcomeRecord> byIdentifier = new HashMap<>();
  private final Map<String, OutcomeRecord> byCode = new HashMap<>();
  private final Map<ScaleId, ScaleId> scales = new HashMap<>();
  private final Map<OutcomeId, OutcomeId> ids = new LinkedHashMap<>();
  private final List<OutcomeId> fresh = new ArrayList<>();
  private final List<Phrase> said = new ArrayList<>();
  private int position;

  CopiedOutcomes(DSLContext db, Clock clock, CourseId from, CourseId to) {
    this.db = db;
    this.clock = clock;
    this.to = to;
    for (OutcomeRecord o : rows(from)) theirs.put(o.getId(), o);
    for (OutcomeRecord o : rows(to)) {
      byIdentifier.put(o.getIdentifier(), o);
      byCode.put(o.getCode(), o);
      position = Math.max(position, o.getPosition() + 1);
    }
  }

  private List<OutcomeRecord> rows(CourseId course) {
    return db.selectFrom(OUTCOME)
        .where(OUTCOME.COURSE_ID.eq(course), OUTCOME.DELETED_AT.isNull())
        .orderBy(OUTCOME.POSITION, OUTCOME.ID)
        .fetch();
  }

  /** Sees to it that these are there, with what they are made of. */
  void bring(Set<OutcomeId> needed) {
    Set<OutcomeId> wanted = new LinkedHashSet<>();
    for (OutcomeId id : theirs.keySet())
      if (needed.contains(id)) withParts(id, wanted, new HashSet<>());
    for (OutcomeId id : wanted) bring(requireNonNull(theirs.get(id)));
    for (OutcomeId id : fresh) compose(requireNonNull(theirs.get(id)));
  }

  /** Parts before what is made of them; a circle, which only publishing refuses, ends by itself. */
  private void withParts(OutcomeId id, Set<OutcomeId> wanted, Set<OutcomeId> met) {
    OutcomeRecord row = theirs.get(id);
    if (row == null || wanted.contains(id) || !met.add(id)) return;
    if (row.getMadeOf() != null)
      for (OutcomeId part : row.getMadeOf().parts()) withParts(part, wanted, met);
    wanted.add(id);
  }

  private void bring(OutcomeRecord their) {
    Optional<OutcomeRecord> same =
        Optional.ofNullable(byIdentifier.get(their.getIdentifier()))
            .or(() ->
                Optional.ofNullable(byCode.get(their.getCode()))
                    .filter(o -> o.getName().equals(their.getName())));
    ids.put(their.getId(), same.map(OutcomeRecord::getId).orElseGet(() -> add(their, code(their))));
  }

  /** Its code, or one that is free. */
  private String code(OutcomeRecord their) {
    String code = their.getCode();
    for (int n = 2; byCode.containsKey(code); n++) {
      String number = "" + n;
      int most = Math.min(their.getCode().length(), LONGEST_CODE - number.length());
      code = their.getCode().substring(0, most) + number;
    }
    if (!code.equals(their.getCode()))
      said.add(Phrase.of("copied.code", "code", their.getCode(), "now", code));
    return code;
  }

  private OutcomeId add(OutcomeRecord their, String code) {
    OutcomeRecord row = their.copy();
    row.attach(db.configuration());
    row.setCourseId(to);
    row.setCode(code);
    row.setScaleId(scales.computeIfAbsent(their.getScaleId(), this::scale));
    row.setMadeOf(null);
    row.setPosition(position++);
    row.setChangedAt(clock.instant());
    row.setVersion(1);
    row.insert();
    byCode.put(code, row);
    byIdentifier.put(row.getIdentifier(), row);
    fresh.add(their.getId());
    return row.getId();
  }

  private void compose(OutcomeRecord their) {
    if (their.getMadeOf() == null) return;
    List<OutcomeId> parts =
        their.getMadeOf().parts().stream()
            .filter(ids::containsKey)
            .map(p -> requireNonNull(ids.get(p)))
            .toList();
    db.update(OUTCOME)
        .set(OUTCOME.MADE_OF, new Composition(parts, their.getMadeOf().how()))
        .where(OUTCOME.ID.eq(ids.get(their.getId())))
        .execute();
  }

  /** The same scale there, or a copy of it. */
  private ScaleId scale(ScaleId id) {
    ScaleRecord their = db.selectFrom(SCALE).where(SCALE.ID.eq(id)).fetchSingle();
    return db
        .selectFrom(SCALE)
        .where(SCALE.COURSE_ID.eq(to), SCALE.DELETED_AT.isNull())
        .orderBy(SCALE.ID)
        .fetch()
        .stream()
        .filter(s ->
            s.getName().equals(their.getName())
                && s.getLevels().equals(their.getLevels())
                && Objects.equals(s.getMastery(), their.getMastery()))
        .map(ScaleRecord::getId)
        .findFirst()
        .orElseGet(() -> {
          ScaleRecord row = their.copy();
          row.attach(db.configuration());
          row.setCourseId(to);
          row.setVersion(1);
          row.insert();
          return row.getId();
        });
  }

  /** What they have become. */
  Map<OutcomeId, OutcomeId> ids() {
    return ids;
  }

  /** How many came along. */
  int came() {
    return fresh.size();
  }

  /** What could not stay as it was. */
  List<Phrase> said() {
    return List.copyOf(said);
  }
}
