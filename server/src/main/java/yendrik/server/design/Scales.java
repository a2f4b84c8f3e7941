package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.FACT;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.SCALE;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.outcome.Scale;
import yendrik.core.record.Fact;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.words.Faults;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.ScaleRecord;
import yendrik.server.design.DesignEdits.ScaleEdit;
import yendrik.server.design.DesignViews.ScaleView;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/** The scales of a course. What ratings and rules rest on is never taken from under them. */
@Service
@Transactional
public class Scales {
  private static final Field<OutcomeId> OUTCOME_OF_RATING =
      DSL.jsonbGetAttributeAsText(FACT.BODY, DSL.inline("outcome")).cast(OUTCOME.ID);
  private final DSLContext db;
  private final DraftStore drafts;
  private final Institutions institutions;
  private final DraftTables tables;

  Scales(DSLContext db, DraftStore drafts, Institutions institutions, DraftTables tables) {
    this.institutions = institutions;
    this.db = db;
    this.drafts = drafts;
    this.tables = tables;
  }

  public ScaleView add(CourseId course, ScaleEdit edit) {
    List<Scale.Level> levels = levels(edit, List.of());
    ScaleRecord row = tables.scales.fresh();
    row.setName(edit.name().strip());
    row.setLevels(levels);
    row.setMastery(edit.mastery());
    ScaleId id = tables.scales.add(course, row);
    return DesignViews.scale(row(course, id), Optional.empty());
  }

  ScaleView change(CourseId course, ScaleId id, int version, ScaleEdit edit) {
    ScaleRecord row = row(course, id);
    if (row.getAdoptedFrom() != null) throw Problem.field("name", "scale-of-framework");
    Scale before = DraftStore.scale(row);
    var after =
        new Scale(before.id(), edit.name().strip(), levels(edit, before.levels()), edit.mastery());
    boolean put = put(course, before, after, version);
    ScaleView now = DesignViews.scale(row(course, id), Optional.empty());
    if (!put) throw Problem.changed(now);
    return now;
  }

  /**
   * Puts a scale in the place of what it was.
   *
   * @return whether it still had that version
   * @throws Problem when that would take a level from under ratings or rules
   */
  boolean put(CourseId course, Scale before, Scale after, int version) {
    List<Phrase> held = held(course, before, after.levels());
    if (!held.isEmpty())
      throw Problem.field("levels", Phrase.of("scale.held", "why", new Phrase.Listed(held)));
    ScaleRecord columns = tables.scales.fresh();
    columns.setName(after.name());
    columns.setLevels(after.levels());
    columns.setMastery(after.mastery());
    return tables.scales.change(course, before.id(), version, columns);
  }

  /** What a change would mean for ratings that stand, in words; empty when nothing rests on it. */
  @Transactional(readOnly = true)
  public List<String> effects(CourseId course, ScaleId id, ScaleEdit edit) {
    Scale before = DraftStore.scale(row(course, id));
    return effects(
        course,
        before,
        new Scale(before.id(), edit.name(), levels(edit, before.levels()), edit.mastery()));
  }

  List<String> effects(CourseId course, Scale before, Scale to) {
    List<Scale.Level> after = to.levels();
    List<Phrase> effects = new ArrayList<>(held(course, before, after));
    Map<Integer, Integer> ratings = ratings(course, before);
    for (Scale.Level was : before.levels()) {
      int many = ratings.getOrDefault(was.key(), 0);
      Optional<Scale.Level> is = after.stream().filter(l -> l.key() == was.key()).findFirst();
      if (many > 0 && is.isPresent() && !is.get().name().equals(was.name()))
        effects.add(
            Phrase.of("scale.will-read", "n", many, "level", was.name(), "to", is.get().name()));
    }
    List<Phrase> fresh =
        after.stream()
            .filter(l -> before.at(l.key()) < 0)
            .map(l -> Phrase.quoted(l.name()))
            .toList();
    if (!fresh.isEmpty() && !ratings.isEmpty())
      effects.add(Phrase.of("scale.nobody-yet", "levels", new Phrase.Listed(fresh)));
    int mastery = before.key(before.mastery());
    if (to.key(to.mastery()) != mastery)
      effects.add(
          Phrase.of(
              "scale.mastery-moves",
              "from",
              before.levels().get(before.mastery()).name(),
              "to",
              after.get(to.mastery()).name()));
    return effects.stream().map(institutions::say).toList();
  }

  /** Takes a scale away unless something rests on it. */
  void remove(CourseId course, ScaleId id) {
    row(course, id);
    List<String> uses =
        db.select(OUTCOME.CODE)
            .from(OUTCOME)
            .where(
                OUTCOME.SCALE_ID.eq(id), OUTCOME.COURSE_ID.eq(course), OUTCOME.DELETED_AT.isNull())
            .orderBy(OUTCOME.POSITION)
            .fetch(OUTCOME.CODE);
    List<String> courses =
        db.select(COURSE.NAME)
            .from(SCALE)
            .join(COURSE)
            .on(COURSE.ID.eq(SCALE.COURSE_ID))
            .where(SCALE.ADOPTED_FROM.eq(id), SCALE.DELETED_AT.isNull())
            .orderBy(COURSE.NAME)
            .fetch(COURSE.NAME);
    if (!courses.isEmpty())
      throw Problem.conflict("scale-adopted", "courses", String.join(", ", courses));
    if (!uses.isEmpty()) throw Problem.conflict("scale-in-use", "uses", String.join(", ", uses));
    tables.scales.remove(course, id);
  }

  ScaleRecord row(CourseId course, ScaleId id) {
    return tables.scales.one(course, id);
  }

  /** The levels that were sent; those without a key are new and get one that none ever had. */
  private static List<Scale.Level> levels(ScaleEdit edit, List<Scale.Level> before) {
    if (edit.mastery() < 0 || edit.mastery() >= edit.levels().size())
      throw Problem.field("mastery", "no-mastery");
    Set<Integer> known = before.stream().map(Scale.Level::key).collect(Collectors.toSet());
    OptionalInt highest = known.stream().mapToInt(Integer::intValue).max();
    int next = highest.isPresent() ? highest.getAsInt() + 1 : 0;
    List<Scale.Level> levels = new ArrayList<>();
    for (int l = 0; l < edit.levels().size(); l++) {
      DesignEdits.LevelEdit level = edit.levels().get(l);
      if (level.key().isPresent() && !known.remove(level.key().get()))
        throw Problem.field("levels", "level-unknown", "n", (l + 1));
      int key = level.key().isPresent() ? level.key().get() : next++;
      levels.add(new Scale.Level(key, level.name().strip(), level.points(), level.description()));
    }
    if (levels.stream().map(Scale.Level::name).distinct().count() != levels.size())
      throw Problem.field("levels", "level-names-twice");
    return levels;
  }

  /**
   * Refuses another scale for an outcome unless every level that its ratings stand at is there too,
   * by key and name: ratings are never read as something else than what was said.
   */
  void checkMove(CourseId course, OutcomeRecord outcome, ScaleId to) {
    if (outcome.getScaleId().equals(to)) return;
    Scale from = scale(outcome.getScaleId());
    Scale there = scale(to);
    List<Phrase> lost = new ArrayList<>();
    ratings(course, OUTCOME_OF_RATING.eq(outcome.getId()))
        .forEach((key, many) -> {
          int at = from.at(key);
          boolean same =
              at >= 0
                  && there.levels().stream()
                      .anyMatch(
                          l -> l.key() == key && l.name().equals(from.levels().get(at).name()));
          if (!same && at >= 0)
            lost.add(
                Phrase.of("scale.ratings-at", "n", many, "level", from.levels().get(at).name()));
        });
    if (!lost.isEmpty())
      throw Problem.field(
          "scale",
          "scale-lacks-levels",
          "scale",
          there.name(),
          "outcome",
          outcome.getCode(),
          "lost",
          new Phrase.Listed(lost));
  }

  private Scale scale(ScaleId id) {
    return DraftStore.scale(db.selectFrom(SCALE).where(SCALE.ID.eq(id)).fetchSingle());
  }

  /** Why levels that would go cannot go. */
  private List<Phrase> held(CourseId course, Scale before, List<Scale.Level> after) {
    Map<Integer, Integer> ratings = ratings(course, before);
    List<Phrase> held = new ArrayList<>();
    for (Scale.Level level : before.levels()) {
      if (after.stream().anyMatch(l -> l.key() == level.key())) continue;
      int many = ratings.getOrDefault(level.key(), 0);
      if (many > 0) held.add(Phrase.of("scale.held-by-ratings", "level", level.name(), "n", many));
      rules(course, before, level.key())
          .forEach(place ->
              held.add(Phrase.of("scale.held-by-rule", "level", level.name(), "place", place)));
    }
    return held;
  }

  private List<Phrase> rules(CourseId course, Scale scale, int key) {
    var design = drafts.document(course).design();
    var faults = new Faults(design);
    List<Phrase> places = new ArrayList<>();
    Rules.of(design)
        .forEach((at, rule) -> {
          boolean asks =
              rule.nodes()
                  .anyMatch(n ->
                      n instanceof Condition.Ask ask
                          && level(ask.leaf()) == key
                          && ask.leaf() instanceof Leaf.OfOutcome of
                          && design
                              .outcome(of.outcome())
                              .filter(o -> o.scale().id().equals(scale.id()))
                              .isPresent());
          if (asks) places.add(faults.place(at));
        });
    return places;
  }

  private static int level(Leaf leaf) {
    return switch (leaf) {
      case Leaf.LevelAtLeast l -> l.level();
      case Leaf.LevelBelow l -> l.level();
      case Leaf.EvidenceCount l -> l.level();
      default -> -1;
    };
  }

  /** How many ratings stand at each level, by its key. */
  private Map<Integer, Integer> ratings(CourseId course, Scale scale) {
    return ratings(
        course,
        OUTCOME_OF_RATING.in(
            db.select(OUTCOME.ID).from(OUTCOME).where(OUTCOME.SCALE_ID.eq(scale.id()))));
  }

  private Map<Integer, Integer> ratings(CourseId course, org.jooq.Condition which) {
    Field<Integer> level =
        DSL.jsonbGetAttributeAsText(FACT.BODY, DSL.inline("level")).cast(Integer.class);
    return db.select(level, DSL.count())
        .from(FACT)
        .join(ENROLMENT)
        .on(ENROLMENT.ID.eq(FACT.ENROLMENT_ID))
        .where(
            FACT.COURSE_ID.eq(course),
            FACT.KIND.eq(CoreJson.name(Fact.Rated.class)),
            ENROLMENT.PRACTICE.isFalse(),
            which)
        .groupBy(level)
        .fetchMap(r -> r.value1(), r -> r.value2());
  }
}
