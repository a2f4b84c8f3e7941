package yendrik.server.way;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.Field;
import org.jooq.JSONB;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.SessionId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.people.StaffKind;
import yendrik.core.progress.Latches;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Sums;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.plan.ApprovalsWanted;
import yendrik.core.rule.plan.StillMissing;
import yendrik.core.strand.work.WorkStrand;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.EnrolmentRecord;
import yendrik.server.design.Json;

/**
 * Everything that is kept about a learner's state, worked out from a {@link Progress}. It can be
 * thrown away at any time and made again from the facts.
 */
record Snapshot(
    int version,
    Instant asOf,
    Optional<Instant> nextAt,
    String thread,
    double share,
    Optional<Instant> lastHere,
    Optional<Instant> completedAt,
    int waiting,
    Latches latches,
    Summary summary,
    Trend trend,
    Sums sums) {

  /**
   * The form of what is kept; a row in an older one is worked out anew. Raise it with each change.
   */
  static final int FORM = 9;

  static Snapshot of(Progress progress, int version) {
    LearnerRecord record = progress.record();
    long next = progress.nextMoment();
    return new Snapshot(
        version,
        progress.asOf(),
        next == Long.MAX_VALUE ? Optional.empty() : Optional.of(Instant.ofEpochMilli(next)),
        progress.thread(),
        progress.share(),
        Explaining.moment(record.lastHere()),
        progress.completedAt(),
        waiting(progress),
        progress.latches(),
        summary(progress),
        Trend.of(record),
        record.sums());
  }

  /** Puts it into a row, in which then is marked what is to be written. */
  void write(EnrolmentRecord row) {
    row.setDesignVersion(version);
    row.setAsOf(asOf);
    row.setNextAt(nextAt.orElse(null));
    row.setThread(thread);
    row.setShare(share);
    row.setLastHere(lastHere.orElse(null));
    row.setCompletedAt(completedAt.orElse(null));
    row.setWaiting(waiting);
    row.setLatches(Json.of(latches));
    row.setSummary(Json.of(summary));
    row.setTrend(Json.of(trend));
    row.setSums(JSONB.valueOf(CoreJson.write(sums)));
    row.setForm(FORM);
    row.setFailures(0);
    row.setFailedUntil(null);
    for (Field<?> field : row.fields())
      if (field.getType() != JSONB.class) row.touched(field, row.modified(field));
  }

  /** What a row holds that differs from this, by column; none when all agrees. */
  List<String> differences(EnrolmentRecord row) {
    List<String> all = new ArrayList<>();
    compare(all, "form", row.getForm(), FORM);
    compare(all, "version", row.getDesignVersion(), version);
    compare(all, "next moment", Optional.ofNullable(row.getNextAt()), nextAt);
    compare(all, "thread", row.getThread(), thread);
    compare(all, "share", row.getShare(), share);
    compare(all, "last here", Optional.ofNullable(row.getLastHere()), lastHere);
    compare(all, "completed", Optional.ofNullable(row.getCompletedAt()), completedAt);
    compare(all, "waiting", row.getWaiting(), waiting);
    compare(all, "kept", row.getLatches(), Json.of(latches));
    compare(all, "summary", row.getSummary(), Json.of(summary));
    compare(all, "trend", row.getTrend(), Json.of(trend));
    compare(all, "sums", row.getSums(), JSONB.valueOf(CoreJson.write(sums)));
    return all;
  }

  private static void compare(List<String> all, String name, JSONB stored, JSONB made) {
    for (Json.Differing at : Json.differing(name, stored, made))
      all.add(said(at.path(), at.one(), at.other()));
  }

  private static void compare(List<String> all, String name, Object stored, Object made) {
    if (!Objects.equals(stored, made)) all.add(said(name, stored, made));
  }

  private static String said(String name, Object stored, Object made) {
    return name + ": kept " + stored + ", from the facts " + made;
  }

  private static int waiting(Progress progress) {
    int n = 0;
    for (int s = 0; s < progress.course().index().steps(); s++)
      if (progress.bead(s).state() == StepState.WAITING) n++;
    return n;
  }

  private static Summary summary(Progress progress) {
    CourseIndex index = progress.course().index();
    List<Summary.Raised> flags = new ArrayList<>();
    for (int f = 0; f < progress.course().flags(); f++) {
      var flag = index.design().flags().get(f);
      progress
          .flaggedAt(f)
          .ifPresent(at -> flags.add(new Summary.Raised(flag.id(), flag.name(), at)));
    }
    Map<OutcomeId, Integer> levels = new HashMap<>();
    for (int o = 0; o < index.outcomes(); o++) {
      OutcomeId id = index.outcome(o).id();
      progress.record().level(o).ifPresent(level -> levels.put(id, level));
    }
    List<BadgeId> badges = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++)
      if (progress.sight().holds(b)) badges.add(index.badge(b).id());
    List<BadgeId> inDoubt = progress.inDoubt().stream().map(b -> index.badge(b).id()).toList();
    List<GroupId> groups = progress.record().groups().stream().sorted().toList();
    Map<SessionId, StatusId> marks = Map.copyOf(progress.record().sessions());
    Map<StepId, Double> scores = new HashMap<>();
    for (int s = 0; s < index.steps(); s++)
      if (progress.record().scored(s))
        scores.put(index.step(s).id(), Math.min(1, progress.record().score(s)));
    List<StepId> heldBack = new ArrayList<>();
    List<StepId> late = new ArrayList<>();
    WorkStrand work = WorkStrand.of(progress.record());
    for (int s = 0; s < index.steps(); s++) {
      StepState state = progress.bead(s).state();
      boolean hidden = state == StepState.UNPUBLISHED || state == StepState.NOT_FOR_THEM;
      if (hidden && progress.record().waiting(s)) heldBack.add(index.step(s).id());
      if (work.late(s)) late.add(index.step(s).id());
    }
    return new Summary(
        flags,
        levels,
        groups,
        badges,
        marks,
        scores,
        inDoubt,
        heldBack,
        late,
        approvals(progress),
        approved(progress.record()),
        Explaining.moment(progress.record().ownWordAt()),
        missing(progress),
        progress.record().left());
  }

  private static int missing(Progress progress) {
    if (progress.completedAt().isPresent()) return 0;
    CourseIndex index = progress.course().index();
    return progress
        .explain(new RuleAt.CourseComplete())
        .map(rule ->
            StillMissing.of(
                rule,
                leaf ->
                    leaf instanceof Leaf.ModuleDone of
                        ? stepsLeft(progress, index.number(of.module()))
                        : 1))
        .orElse(0);
  }

  /** How many steps of a module are left, at least one while it is not done. */
  private static int stepsLeft(Progress progress, int module) {
    CourseIndex index = progress.course().index();
    int left = 0;
    for (int s = index.firstStep(module); s < index.firstStep(module + 1); s++)
      if (progress.counts(s) && progress.doneAt(s).isEmpty()) left++;
    return Math.max(1, left);
  }

  private static Set<StaffKind> approvals(Progress progress) {
    if (progress.completedAt().isPresent() || progress.record().left()) return Set.of();
    if (!progress.course().completionAsks(Leaf.Approved.class)) return Set.of();
    return progress.explain(new RuleAt.CourseComplete()).map(ApprovalsWanted::of).orElse(Set.of());
  }

  private static Map<StaffKind, Instant> approved(LearnerRecord record) {
    Map<StaffKind, Instant> approved = new EnumMap<>(StaffKind.class);
    for (StaffKind kind : StaffKind.values())
      Explaining.moment(record.approvedAt(kind)).ifPresent(at -> approved.put(kind, at));
    return approved;
  }
}
