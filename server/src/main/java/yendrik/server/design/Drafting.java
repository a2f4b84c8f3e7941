package yendrik.server.design;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.MODULE;
import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.STEP;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.id.Id;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.rule.check.References;
import yendrik.core.rule.words.Wording;
import yendrik.schema.tables.records.OutcomeRecord;
import yendrik.server.design.DesignViews.DesignView;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/**
 * A draft as a whole: how it stands, the order of what is in it, and taking away and bringing back.
 * Its parts are changed each in a class and a transaction of its own. Whoever changes something
 * says which version they saw; if it is no longer that, nothing is written and they are shown what
 * it is now.
 */
@Service
@Transactional
public class Drafting {
  private final DSLContext db;
  private final DraftStore drafts;
  private final Designs designs;
  private final Adoption adoption;
  private final StepDrafts steps;
  private final Usuals usuals;
  private final DraftTables tables;
  private final Clock clock;
  private final Institutions institutions;

  Drafting(
      DSLContext db,
      DraftStore drafts,
      Designs designs,
      Adoption adoption,
      StepDrafts steps,
      Usuals usuals,
      DraftTables tables,
      Institutions institutions,
      Clock clock) {
    this.institutions = institutions;
    this.db = db;
    this.drafts = drafts;
    this.designs = designs;
    this.adoption = adoption;
    this.steps = steps;
    this.usuals = usuals;
    this.tables = tables;
    this.clock = clock;
  }

  private Wording wording(CourseDesign design) {
    return new Wording(design, institutions.writing(design.zone(), clock.instant()));
  }

  @Transactional(readOnly = true)
  DesignView view(CourseId id) {
    var course = db.selectFrom(COURSE).where(COURSE.ID.eq(id)).fetchSingle();
    Document draft = drafts.document(id);
    var wording = wording(draft.design());
    List<OutcomeRecord> outcomes = drafts.outcomes(id);
    Map<OutcomeId, DesignViews.Adopted> adopted = adoption.of(outcomes);
    boolean changed = !designs.changed(id, draft).isEmpty();
    return new DesignView(
        id,
        course.getName(),
        course.getCohort(),
        course.getZone(),
        course.getStartsAt(),
        course.getWeeks(),
        course.getPublishedVersion(),
        changed,
        course.getEveryonesVersion() < course.getPublishedVersion(),
        db.fetchCount(ENROLMENT, ENROLMENT.COURSE_ID.eq(id).and(ENROLMENT.PRACTICE.isFalse())),
        adoption.scales(id),
        outcomes.stream().map(o -> DesignViews.outcome(o, adopted)).toList(),
        drafts.modules(id).stream()
            .map(m ->
                DesignViews.module(
                    m.module(),
                    m.steps().stream()
                        .map(s -> steps.view(s, draft.content(s.getId()), wording))
                        .toList(),
                    wording))
            .toList(),
        drafts.badges(id).stream().map(b -> DesignViews.badge(b, wording)).toList(),
        DesignViews.rules(course, wording),
        usuals.views(course, draft.design()),
        drafts.flagRows(id).stream().map(f -> DesignViews.flag(f, wording)).toList(),
        draft.design().groups().entrySet().stream()
            .map(g -> new DesignViews.Named(g.getKey(), g.getValue()))
            .sorted(java.util.Comparator.comparing(DesignViews.Named::name))
            .toList(),
        draft.design().otherCourses().entrySet().stream()
            .map(c -> new DesignViews.OtherCourse(c.getKey(), c.getValue()))
            .sorted(java.util.Comparator.comparing(DesignViews.OtherCourse::name))
            .toList(),
        Designs.words(draft.design(), References.check(draft.design())).stream()
            .map(institutions::say)
            .toList());
  }

  /** Puts the outcomes in another order; all of them must be named. */
  DesignView orderOutcomes(CourseId course, DesignEdits.OutcomeOrder edit) {
    List<OutcomeId> order = edit.outcomes();
    lock(course);
    List<OutcomeId> now = drafts.outcomes(course).stream().map(OutcomeRecord::getId).toList();
    boolean all = order.size() == now.size() && Set.copyOf(now).equals(Set.copyOf(order));
    if (!all || !edit.was().map(now::equals).orElse(true)) throw Problem.changed(view(course));
    for (int n = 0; n < order.size(); n++)
      db.update(OUTCOME).set(OUTCOME.POSITION, n).where(OUTCOME.ID.eq(order.get(n))).execute();
    return view(course);
  }

  DesignView order(CourseId course, DesignEdits.OrderEdit order) {
    lock(course);
    List<DesignEdits.ModuleOrder> now = orderNow(course);
    List<ModuleId> modules = now.stream().map(DesignEdits.ModuleOrder::id).toList();
    List<StepId> steps = now.stream().flatMap(m -> m.steps().stream()).toList();
    List<ModuleId> sent = order.modules().stream().map(DesignEdits.ModuleOrder::id).toList();
    List<StepId> sentSteps = order.modules().stream().flatMap(m -> m.steps().stream()).toList();
    boolean all = sorted(sent).equals(sorted(modules)) && sorted(sentSteps).equals(sorted(steps));
    if (!all || !order.was().map(now::equals).orElse(true)) throw Problem.changed(view(course));
    for (int m = 0; m < order.modules().size(); m++) {
      var module = order.modules().get(m);
      db.update(MODULE).set(MODULE.POSITION, m).where(MODULE.ID.eq(module.id())).execute();
      for (int s = 0; s < module.steps().size(); s++)
        db.update(STEP)
            .set(STEP.POSITION, s)
            .set(STEP.MODULE_ID, module.id())
            .where(STEP.ID.eq(module.steps().get(s)))
            .execute();
    }
    return view(course);
  }

  private static <T extends Comparable<T>> List<T> sorted(List<T> ids) {
    return ids.stream().sorted().toList();
  }

  private List<DesignEdits.ModuleOrder> orderNow(CourseId course) {
    return drafts.modules(course).stream()
        .map(m ->
            new DesignEdits.ModuleOrder(
                m.module().getId(), m.steps().stream().map(s -> s.getId()).toList()))
        .toList();
  }

  /** Whoever puts things in order is alone with it. */
  private void lock(CourseId course) {
    db.select(COURSE.ID).from(COURSE).where(COURSE.ID.eq(course)).forUpdate().fetch();
  }

  /**
   * Takes something away.
   *
   * @param version as it must stand for that, so that what others have added to it is not lost
   */
  void remove(CourseId course, String part, long id, Optional<Integer> version) {
    remove(course, rows(part), id, version);
  }

  <I extends Id> void remove(
      CourseId course, VersionedRows<?, I> rows, long number, Optional<Integer> version) {
    I id = rows.id(number);
    version.ifPresent(seen -> checkUntouched(course, rows, id, seen));
    rows.remove(course, id);
  }

  private <I extends Id> void checkUntouched(
      CourseId course, VersionedRows<?, I> rows, I id, int seen) {
    lock(course);
    boolean holds =
        id instanceof ModuleId module
            && db.fetchExists(STEP, STEP.MODULE_ID.eq(module), STEP.DELETED_AT.isNull());
    if (rows.version(course, id).filter(v -> v != seen).isPresent() || holds)
      throw Problem.conflict("worked-on-since");
  }

  /** Brings back what was taken away; a step only into a module that is there. */
  void restore(CourseId course, String part, long id) {
    restore(course, rows(part), id);
  }

  <I extends Id> void restore(CourseId course, VersionedRows<?, I> rows, long number) {
    I id = rows.id(number);
    if (id instanceof StepId step)
      db.select(MODULE.NAME)
          .from(STEP)
          .join(MODULE)
          .on(MODULE.ID.eq(STEP.MODULE_ID))
          .where(STEP.ID.eq(step), STEP.COURSE_ID.eq(course), MODULE.DELETED_AT.isNotNull())
          .fetchOptional(MODULE.NAME)
          .ifPresent(name -> {
            throw Problem.conflict("module-taken-away", "name", name);
          });
    rows.restore(course, id);
  }

  private VersionedRows<?, ?> rows(String part) {
    return tables.of(part).orElseThrow(() -> Problem.notFound("part of a course"));
  }
}
