package yendrik.server.design;

import static java.util.Objects.requireNonNullElse;
import static yendrik.schema.Tables.COURSE;

import java.time.Clock;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.copy.Usual;
import yendrik.core.rule.words.Wording;
import yendrik.schema.tables.records.CourseRecord;
import yendrik.server.design.DesignViews.UsualView;
import yendrik.server.institution.Institutions;

/** What is usual for new steps of each kind in a course, as it is kept. */
@Component
public class Usuals {
  /** The kinds for which a course says it; the others have what is shipped. */
  private record Kept(Map<StepKind, Usual> kinds) {
    Kept {
      kinds = Map.copyOf(requireNonNullElse(kinds, Map.of()));
    }

    Kept with(StepKind kind, Usual usual) {
      Map<StepKind, Usual> all = new EnumMap<>(StepKind.class);
      all.putAll(kinds);
      all.put(kind, usual);
      return new Kept(all);
    }
  }

  /** A rule as it is where it is taken over to; nothing where nothing is left of it. */
  @FunctionalInterface
  public interface TakenOver {
    Optional<Condition> rule(Condition rule, RuleAt at);
  }

  private final DSLContext db;
  private final Institutions institutions;
  private final Clock clock;

  Usuals(DSLContext db, Institutions institutions, Clock clock) {
    this.db = db;
    this.institutions = institutions;
    this.clock = clock;
  }

  private static Kept kept(CourseRecord course) {
    return Json.read(course.getUsualRules(), Kept.class);
  }

  private CourseRecord row(CourseId course) {
    return db.selectFrom(COURSE).where(COURSE.ID.eq(course)).fetchSingle();
  }

  /** What is usual for a kind: what the course says, or what is shipped. */
  Usual of(CourseRecord course, StepKind kind) {
    return kept(course).kinds.getOrDefault(kind, Usual.shipped(kind, course.getId()));
  }

  Usual of(CourseId course, StepKind kind) {
    return of(row(course), kind);
  }

  void put(CourseId course, StepKind kind, Usual usual) {
    keep(course, kept(row(course)).with(kind, usual));
  }

  private void keep(CourseId course, Kept kept) {
    db.update(COURSE)
        .set(COURSE.USUAL_RULES, Json.of(kept))
        .set(COURSE.RULES_VERSION, COURSE.RULES_VERSION.plus(1))
        .where(COURSE.ID.eq(course))
        .execute();
  }

  /** Gives a course what is usual in another one, as far as it can be said there. */
  public void copy(CourseId from, CourseId to, TakenOver over) {
    Map<StepKind, Usual> there = new EnumMap<>(StepKind.class);
    kept(row(from))
        .kinds
        .forEach((kind, usual) -> {
          var sample = Usual.sample(kind);
          Optional<Condition> opens =
              usual.opensWhen().flatMap(rule -> over.rule(rule, new RuleAt.StepOpens(sample)));
          over.rule(usual.doneWhen(), new RuleAt.StepDone(sample))
              .ifPresent(done -> there.put(kind, new Usual(opens, done)));
        });
    keep(to, new Kept(there));
  }

  List<UsualView> views(CourseRecord course, CourseDesign design) {
    return Stream.of(StepKind.values()).map(kind -> view(course, kind, design)).toList();
  }

  private UsualView view(CourseRecord course, StepKind kind, CourseDesign design) {
    Usual usual = of(course, kind);
    Usual shipped = Usual.shipped(kind, course.getId());
    var wording =
        new Wording(Usual.with(design, kind), institutions.writing(design.zone(), clock.instant()));
    return DesignViews.usual(
        kind,
        course.getRulesVersion(),
        usual,
        Optional.of(shipped).filter(s -> !s.like(usual)),
        wording);
  }
}
