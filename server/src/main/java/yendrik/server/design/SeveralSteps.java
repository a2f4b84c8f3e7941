package yendrik.server.design;

import static yendrik.schema.Tables.STEP;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Again;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.schema.tables.records.StepRecord;
import yendrik.server.design.DesignViews.StepView;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;

/** What is done to several steps of a draft at once: to all of them or to none. */
@Service
@Transactional
class SeveralSteps {
  private static final int MOST = 500;

  /** Fields of some steps, each as they were seen and as they are to be. */
  record StepsEdit(@NotNull @Size(min = 1, max = MOST) List<@Valid StepFields> steps) {}

  record StepFields(StepId id, @NotNull @Valid FieldsEdit fields) {}

  /**
   * @param days by how many days all dates of the steps are later, negative for earlier
   */
  record StepsLater(
      @NotNull @Size(min = 1, max = MOST) List<StepId> steps,
      @Min(-Again.MOST_DAYS) @Max(Again.MOST_DAYS) int days) {}

  record StepsTaken(@NotNull @Size(min = 1, max = MOST) List<@Valid SeenStep> steps) {}

  /**
   * @param version as the step must stand, so that what others have done with it is not lost
   */
  record SeenStep(StepId id, Optional<Integer> version) {}

  record StepsBack(@NotNull @Size(min = 1, max = MOST) List<StepId> steps) {}

  private final DSLContext db;
  private final StepDrafts steps;
  private final Drafting drafting;
  private final DraftTables tables;
  private final DraftStore drafts;

  SeveralSteps(
      DSLContext db, StepDrafts steps, Drafting drafting, DraftTables tables, DraftStore drafts) {
    this.db = db;
    this.steps = steps;
    this.drafting = drafting;
    this.tables = tables;
    this.drafts = drafts;
  }

  /** Changes fields of them; a 409 carries the first of them that was not as it was seen. */
  List<StepView> change(CourseId course, StepsEdit edit) {
    for (StepFields s : sorted(edit.steps(), StepFields::id))
      steps.write(course, s.id(), s.fields());
    return views(course, edit.steps().stream().map(StepFields::id).toList());
  }

  /** Moves all their dates, at the same time of day. */
  List<StepView> later(CourseId course, StepsLater edit) {
    ZoneId zone = drafts.document(course).design().zone();
    for (StepId id : sorted(List.copyOf(Set.copyOf(edit.steps())), id -> id)) {
      StepRecord row = tables.steps.locked(course, id);
      StepRecord moved = tables.steps.fresh();
      StepDrafts.moved(moved, row, StepDrafts.window(row).later(edit.days(), zone), zone);
      tables.steps.change(course, id, row.getVersion(), moved);
    }
    return views(course, edit.steps());
  }

  void remove(CourseId course, StepsTaken edit) {
    for (SeenStep s : sorted(edit.steps(), SeenStep::id))
      drafting.remove(course, tables.steps, s.id().value(), s.version());
  }

  void restore(CourseId course, StepsBack edit) {
    for (StepId id : sorted(edit.steps(), id -> id))
      drafting.restore(course, tables.steps, id.value());
  }

  /** Always in the same order, so that two who do something to the same wait and do not block. */
  private static <T> List<T> sorted(List<T> all, Function<T, StepId> id) {
    return all.stream().sorted(Comparator.comparing(id)).toList();
  }

  private List<StepView> views(CourseId course, List<StepId> ids) {
    var wording = steps.wording(course);
    var rows =
        db
            .selectFrom(STEP)
            .where(STEP.COURSE_ID.eq(course), STEP.ID.in(ids), STEP.DELETED_AT.isNull())
            .fetch()
            .stream()
            .collect(Collectors.toMap(StepRecord::getId, r -> steps.view(r, wording)));
    return ids.stream()
        .distinct()
        .map(id -> Optional.ofNullable(rows.get(id)).orElseThrow(() -> Problem.notFound("step")))
        .toList();
  }
}
