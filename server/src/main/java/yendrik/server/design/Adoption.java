package yendrik.server.design;

import static java.util.Objects.requireNonNull;
import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.SCALE;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.Scale;
import yendrik.core.words.Phrase;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.schema.tables.records.ScaleRecord;
import yendrik.server.design.DesignViews.Adopted;
import yendrik.server.design.DesignViews.AdoptedScale;
import yendrik.server.design.DesignViews.ScaleView;
import yendrik.server.design.DesignViews.Words;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/**
 * Outcomes and scales that courses adopt from the institution's frameworks. Words of what was
 * adopted belong to the framework: the course sees when they change and decides whether to take
 * them. How levels are found, groups and order are the course's.
 */
@Service
@Transactional
public class Adoption {
  private final DSLContext db;
  private final DraftStore drafts;
  private final Scales scales;
  private final Clock clock;
  private final Institutions institutions;

  Adoption(
      DSLContext db, DraftStore drafts, Scales scales, Institutions institutions, Clock clock) {
    this.institutions = institutions;
    this.db = db;
    this.drafts = drafts;
    this.scales = scales;
    this.clock = clock;
  }

  // --- what there is to adopt -------------------------------------------------------------------

  /** A framework with what a course can adopt from it. */
  public record FrameworkView(
      CourseId id, String name, List<Offer> outcomes, List<ScaleOffer> scales) {}

  /** How the course stands to an outcome of a framework. */
  public enum Standing {
    NEW,
    ADOPTED,
    /** The course made it its own; adopting it again brings the framework's words back. */
    OWN,
    /** Another outcome of the course has the code. */
    CODE_TAKEN
  }

  /**
   * @param scale by name
   * @param parts how many outcomes of the framework it is made of; they come along
   */
  public record Offer(
      OutcomeId id,
      String code,
      String name,
      List<String> group,
      String scale,
      int parts,
      Standing standing) {}

  public record ScaleOffer(ScaleId id, String name, List<String> levels, boolean adopted) {}

  /** The institution's frameworks, as a course sees them. */
  @Transactional(readOnly = true)
  List<FrameworkView> frameworks(CourseId course) {
    var here = new Here(drafts.outcomes(course));
    Set<ScaleId> adopted =
        drafts.scales(course).stream()
            .map(ScaleRecord::getAdoptedFrom)
            .filter(Objects::nonNull)
            .collect(Collectors.toSet());
    return db.selectFrom(COURSE)
        .where(COURSE.FRAMEWORK.isTrue(), COURSE.ID.ne(course))
        .orderBy(COURSE.NAME, COURSE.ID)
        .fetch()
        .map(f -> {
          var framework = f.getId();
          Map<ScaleId, ScaleRecord> own =
              drafts.scales(framework).stream()
                  .collect(Collectors.toMap(ScaleRecord::getId, Function.identity()));
          return new FrameworkView(
              f.getId(),
              f.getName(),
              offered(framework).stream()
                  .map(o -> offer(o, requireNonNull(own.get(o.getScaleId())).getName(), here))
                  .toList(),
              own.values().stream()
                  .sorted(java.util.Comparator.comparing(ScaleRecord::getId))
                  .map(s ->
                      new ScaleOffer(
                          s.getId(),
                          s.getName(),
                          DraftStore.scale(s).levels().stream().map(Scale.Level::name).toList(),
                          adopted.contains(s.getId())))
                  .toList());
        });
  }

  private List<OutcomeRecord> offered(CourseId framework) {
    return drafts.outcomes(framework).stream().filter(o -> !o.getRetired()).toList();
  }

  private static Offer offer(OutcomeRecord o, String scale, Here here) {
    return new Offer(
        o.getId(),
        o.getCode(),
        o.getName(),
        o.getGroupPath(),
        scale,
        parts(o).size(),
        here.standing(o));
  }

  private static List<OutcomeId> parts(OutcomeRecord o) {
    return made(o).map(Composition::parts).orElse(List.of());
  }

  private static Optional<Composition> made(OutcomeRecord o) {
    return Optional.ofNullable(o.getMadeOf());
  }

  /** The outcomes that a course has, found by what they may share with one of a framework. */
  private static final class Here {
    private final List<OutcomeRecord> all;
    private final Map<OutcomeId, OutcomeRecord> adopted = new HashMap<>();
    private final Map<UUID, OutcomeRecord> own = new HashMap<>();
    private final Map<String, OutcomeRecord> byCode = new HashMap<>();

    Here(List<OutcomeRecord> all) {
      this.all = all;
      for (OutcomeRecord o : all) {
        byCode.put(o.getCode(), o);
        if (o.getAdoptedFrom() == null) own.put(o.getIdentifier(), o);
        else adopted.put(o.getAdoptedFrom(), o);
      }
    }

    Optional<OutcomeRecord> adopted(OutcomeId from) {
      return Optional.ofNullable(adopted.get(from));
    }

    Optional<OutcomeRecord> own(OutcomeRecord theirs) {
      return Optional.ofNullable(own.get(theirs.getIdentifier()));
    }

    Standing standing(OutcomeRecord theirs) {
      if (adopted.containsKey(theirs.getId())) return Standing.ADOPTED;
      Optional<OutcomeRecord> known = own(theirs);
      OutcomeRecord holder = byCode.get(theirs.getCode());
      if (holder != null && known.filter(holder::equals).isEmpty()) return Standing.CODE_TAKEN;
      return known.isPresent() ? Standing.OWN : Standing.NEW;
    }
  }

  // --- adopting ---------------------------------------------------------------------------------

  /**
   * Adopts outcomes with the outcomes that they are made of and the scales they are rated on, and
   * scales by themselves. All of it or, with a Problem that names every code in the way, nothing.
   *
   * @return how many outcomes and scales were not here before
   */
  public int adopt(
      CourseId course, CourseId framework, List<OutcomeId> outcomes, List<ScaleId> scaleIds) {
    db.selectFrom(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetchSingle();
    if (course.equals(framework)
        || !db.fetchExists(COURSE, COURSE.ID.eq(framework).and(COURSE.FRAMEWORK.isTrue())))
      throw Problem.notFound("framework");
    Map<OutcomeId, OutcomeRecord> theirs =
        offered(framework).stream()
            .collect(Collectors.toMap(OutcomeRecord::getId, Function.identity()));
    var here = new Here(drafts.outcomes(course));
    Set<OutcomeId> wanted = new LinkedHashSet<>();
    for (OutcomeId id : outcomes) {
      if (!theirs.containsKey(id)) throw Problem.notFound("outcome in this framework");
      withParts(id, theirs, new HashSet<>(wanted), wanted);
    }
    refuseTaken(wanted.stream().map(theirs::get).toList(), here);
    var target = new ScalesHere(course, framework);
    int fresh = (int) scaleIds.stream().filter(target::bring).count();
    int position = here.all.stream().mapToInt(OutcomeRecord::getPosition).max().orElse(-1);
    Map<OutcomeId, OutcomeId> ids = new HashMap<>();
    List<OutcomeId> added = new ArrayList<>();
    for (OutcomeId id : wanted) {
      OutcomeRecord their = requireNonNull(theirs.get(id));
      Optional<OutcomeRecord> known = here.adopted(id);
      if (known.isEmpty()) {
        fresh++;
        known = here.own(their);
        known.ifPresent(own -> link(own, their));
      }
      if (known.isPresent()) ids.put(id, known.get().getId());
      else {
        ids.put(id, insert(course, their, target.of(their.getScaleId()), ++position));
        added.add(id);
      }
    }
    for (OutcomeId id : added)
      made(requireNonNull(theirs.get(id))).ifPresent(m -> compose(ids, id, m));
    return fresh;
  }

  /** Parts before what is made of them; a circle, which only publishing refuses, ends by itself. */
  private static void withParts(
      OutcomeId id, Map<OutcomeId, OutcomeRecord> theirs, Set<OutcomeId> met, Set<OutcomeId> into) {
    if (!theirs.containsKey(id) || !met.add(id)) return;
    for (OutcomeId part : parts(theirs.get(id))) withParts(part, theirs, met, into);
    into.add(id);
  }

  private static void refuseTaken(List<OutcomeRecord> wanted, Here here) {
    List<Phrase> taken =
        wanted.stream()
            .filter(o -> here.standing(o) == Standing.CODE_TAKEN)
            .map(o -> Phrase.of("problem.code-taken-in-course", "code", o.getCode()))
            .toList();
    if (!taken.isEmpty()) throw Problem.faults(taken, "not-adopted-yet");
  }

  private void link(OutcomeRecord own, OutcomeRecord their) {
    own.setAdoptedFrom(their.getId());
    take(own, their);
  }

  private void take(OutcomeRecord own, OutcomeRecord their) {
    own.setCode(their.getCode());
    own.setName(their.getName());
    own.setDescription(their.getDescription());
    own.setDecidedVersion(their.getVersion());
    own.setChangedAt(clock.instant());
    own.update();
  }

  private OutcomeId insert(CourseId course, OutcomeRecord their, ScaleId scale, int position) {
    OutcomeRecord row = db.newRecord(OUTCOME);
    row.setCourseId(course);
    row.setScaleId(scale);
    row.setCode(their.getCode());
    row.setName(their.getName());
    row.setDescription(their.getDescription());
    row.setLevelRule(their.getLevelRule());
    row.setGroupPath(their.getGroupPath());
    row.setIdentifier(their.getIdentifier());
    row.setPosition(position);
    row.setChangedAt(clock.instant());
    row.setAdoptedFrom(their.getId());
    row.setDecidedVersion(their.getVersion());
    row.insert();
    return row.getId();
  }

  private void compose(Map<OutcomeId, OutcomeId> ids, OutcomeId id, Composition made) {
    List<OutcomeId> parts =
        made.parts().stream()
            .filter(ids::containsKey)
            .map(p -> requireNonNull(ids.get(p)))
            .toList();
    db.update(OUTCOME)
        .set(OUTCOME.MADE_OF, new Composition(parts, made.how()))
        .where(OUTCOME.ID.eq(ids.get(id)))
        .execute();
  }

  /** A framework's scales in a course, each brought along when it is first asked for. */
  private final class ScalesHere {
    private final CourseId course;
    private final Map<ScaleId, ScaleRecord> theirs;
    private final Map<ScaleId, ScaleId> here = new HashMap<>();

    ScalesHere(CourseId course, CourseId framework) {
      this.course = course;
      theirs =
          drafts.scales(framework).stream()
              .collect(Collectors.toMap(ScaleRecord::getId, Function.identity()));
      for (ScaleRecord s : drafts.scales(course))
        if (s.getAdoptedFrom() != null) here.put(s.getAdoptedFrom(), s.getId());
    }

    /** Whether the scale was not here before. */
    boolean bring(ScaleId id) {
      if (!theirs.containsKey(id)) throw Problem.notFound("scale in this framework");
      boolean fresh = !here.containsKey(id);
      of(id);
      return fresh;
    }

    ScaleId of(ScaleId id) {
      return here.computeIfAbsent(id, this::insert);
    }

    private ScaleId insert(ScaleId id) {
      ScaleRecord their = requireNonNull(theirs.get(id));
      ScaleRecord row = db.newRecord(SCALE);
      row.setCourseId(course);
      row.setName(their.getName());
      row.setLevels(their.getLevels());
      row.setMastery(their.getMastery());
      row.setAdoptedFrom(id);
      row.setDecidedVersion(their.getVersion());
      row.insert();
      return row.getId();
    }
  }

  // --- what was adopted, and what the framework says by now -------------------------------------

  /** What there is to know about those of some outcomes that were adopted, by their ids. */
  Map<OutcomeId, Adopted> of(Collection<OutcomeRecord> outcomes) {
    Map<OutcomeId, OutcomeRecord> byId =
        outcomes.stream()
            .filter(o -> o.getAdoptedFrom() != null)
            .collect(Collectors.toMap(OutcomeRecord::getId, Function.identity()));
    if (byId.isEmpty()) return Map.of();
    Map<OutcomeId, OutcomeRecord> theirs =
        db.selectFrom(OUTCOME)
            .where(
                OUTCOME.ID.in(byId.values().stream().map(OutcomeRecord::getAdoptedFrom).toList()))
            .fetchMap(OUTCOME.ID);
    Map<CourseId, String> names = names();
    Map<OutcomeId, Adopted> all = new HashMap<>();
    byId.forEach((id, own) ->
        all.put(id, adopted(own, requireNonNull(theirs.get(own.getAdoptedFrom())), names)));
    return all;
  }

  private Map<CourseId, String> names() {
    return db.select(COURSE.ID, COURSE.NAME)
        .from(COURSE)
        .where(COURSE.FRAMEWORK.isTrue())
        .fetchMap(COURSE.ID, COURSE.NAME);
  }

  private static Adopted adopted(
      OutcomeRecord own, OutcomeRecord their, Map<CourseId, String> frameworks) {
    var words = new Words(their.getCode(), their.getName(), their.getDescription());
    boolean gone = their.getDeletedAt() != null || their.getRetired();
    boolean news =
        !gone
            && their.getVersion() > own.getDecidedVersion()
            && !words.equals(new Words(own.getCode(), own.getName(), own.getDescription()));
    return new Adopted(
        frameworks.getOrDefault(their.getCourseId(), ""),
        news ? Optional.of(words) : Optional.empty(),
        gone);
  }

  /** A course's scales, with what there is to know about those that were adopted. */
  List<ScaleView> scales(CourseId course) {
    Map<CourseId, String> names = names();
    return drafts.scales(course).stream().map(s -> view(course, s, names)).toList();
  }

  private ScaleView view(CourseId course, ScaleRecord own, Map<CourseId, String> frameworks) {
    if (own.getAdoptedFrom() == null) return DesignViews.scale(own, Optional.empty());
    ScaleRecord their = theirs(own);
    boolean gone = their.getDeletedAt() != null;
    List<String> news = new ArrayList<>();
    if (!gone && their.getVersion() > own.getDecidedVersion()) {
      Scale now = DraftStore.scale(own);
      Scale then = like(their, now);
      differences(now, then).stream().map(institutions::say).forEach(news::add);
      if (!news.isEmpty()) news.addAll(scales.effects(course, now, then));
    }
    return DesignViews.scale(
        own,
        Optional.of(
            new AdoptedScale(frameworks.getOrDefault(their.getCourseId(), ""), news, gone)));
  }

  private ScaleRecord theirs(ScaleRecord own) {
    return db.selectFrom(SCALE).where(SCALE.ID.eq(own.getAdoptedFrom())).fetchSingle();
  }

  /** The framework's scale in the place of the course's copy: levels have the same keys. */
  private static Scale like(ScaleRecord their, Scale own) {
    Scale scale = DraftStore.scale(their);
    return new Scale(own.id(), scale.name(), scale.levels(), scale.mastery());
  }

  /** What reads differently in another form of a scale, in words. */
  private static List<Phrase> differences(Scale now, Scale then) {
    List<Phrase> all = new ArrayList<>();
    if (!now.name().equals(then.name()))
      all.add(Phrase.of("adopted.scale-name", "name", then.name()));
    for (Scale.Level level : then.levels()) {
      int at = now.at(level.key());
      if (at < 0) {
        all.add(Phrase.of("adopted.new-level", "level", level.name()));
        continue;
      }
      Scale.Level was = now.levels().get(at);
      if (!was.name().equals(level.name()))
        all.add(Phrase.of("adopted.level-name", "level", was.name(), "name", level.name()));
      if (!was.description().equals(level.description()))
        all.add(
            Phrase.of(
                "adopted.level-description",
                "level",
                level.name(),
                "description",
                level.description()));
      if (was.points() != level.points())
        all.add(Phrase.of("adopted.level-points", "level", level.name()));
    }
    for (Scale.Level level : now.levels())
      if (then.at(level.key()) < 0) all.add(Phrase.of("adopted.level-gone", "level", level.name()));
    if (now.key(now.mastery()) != then.key(then.mastery()))
      all.add(Phrase.of("adopted.mastery", "level", then.levels().get(then.mastery()).name()));
    return all;
  }

  // --- deciding ---------------------------------------------------------------------------------

  /** What a course can do about something that it has adopted. */
  public enum Decision {
    /** The framework's words of today. */
    TAKE,
    /** The words stay until the framework changes again. */
    KEEP,
    /** It belongs to the course from now on. */
    OWN
  }

  public void decide(CourseId course, OutcomeId outcome, Decision decision) {
    OutcomeRecord own =
        drafts.outcomes(course).stream()
            .filter(o -> o.getId().equals(outcome) && o.getAdoptedFrom() != null)
            .findFirst()
            .orElseThrow(() -> Problem.notFound("adopted outcome"));
    OutcomeRecord their =
        db.selectFrom(OUTCOME).where(OUTCOME.ID.eq(own.getAdoptedFrom())).fetchSingle();
    switch (decision) {
      case TAKE -> {
        boolean taken =
            drafts.outcomes(course).stream()
                .anyMatch(o -> !o.getId().equals(outcome) && o.getCode().equals(their.getCode()));
        if (taken) throw Problem.conflict("code-taken-in-course", "code", their.getCode());
        take(own, their);
      }
      case KEEP -> {
        own.setDecidedVersion(their.getVersion());
        own.update();
      }
      case OWN -> {
        own.setAdoptedFrom(null);
        own.setDecidedVersion(null);
        own.update();
      }
    }
  }

  public void decideScale(CourseId course, ScaleId id, Decision decision) {
    ScaleRecord own = scales.row(course, id);
    if (own.getAdoptedFrom() == null) throw Problem.notFound("adopted scale");
    ScaleRecord their = theirs(own);
    Scale now = DraftStore.scale(own);
    if (decision == Decision.TAKE && !scales.put(course, now, like(their, now), own.getVersion()))
      throw Problem.changed(view(course, own, names()));
    boolean leave = decision == Decision.OWN;
    db.update(SCALE)
        .set(SCALE.ADOPTED_FROM, leave ? null : own.getAdoptedFrom())
        .set(SCALE.DECIDED_VERSION, leave ? null : their.getVersion())
        .where(SCALE.ID.eq(id))
        .execute();
  }
}
