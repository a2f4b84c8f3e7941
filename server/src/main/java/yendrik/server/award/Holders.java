package yendrik.server.award;

import static yendrik.schema.Tables.AWARD;

import io.swagger.v3.oas.annotations.media.Schema;
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
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.words.Wording;
import yendrik.schema.tables.records.AwardRecord;
import yendrik.server.design.BadgePicture;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Who holds which badge, since when, and who is close to it. */
@Service
@Transactional(readOnly = true)
class Holders {
  private final DSLContext db;
  private final Learners learners;
  private final Designs designs;
  private final Walks walks;
  private final People people;
  private final Institutions institutions;
  private final Clock clock;

  Holders(
      DSLContext db,
      Learners learners,
      Designs designs,
      Walks walks,
      People people,
      Institutions institutions,
      Clock clock) {
    this.db = db;
    this.learners = learners;
    this.designs = designs;
    this.walks = walks;
    this.people = people;
    this.institutions = institutions;
    this.clock = clock;
  }

  /**
   * A badge with how many have it.
   *
   * @param earnedWhen its rule as a sentence; empty for one that is given by hand only
   * @param holders with those whose badge ends soon
   * @param close to how many one thing is missing
   * @param inDoubt for how many somebody is to decide
   */
  @Schema(name = "BadgeHeld")
  record BadgeHeldView(
      BadgeId badge,
      String name,
      String description,
      BadgePicture picture,
      boolean surprise,
      String earnedWhen,
      int holders,
      int endsSoon,
      int ended,
      int revoked,
      int close,
      int inDoubt) {}

  /**
   * An award.
   *
   * @param by who gave it; empty for one that was earned
   * @param times how often the badge was awarded to this learner
   * @param revokedReason what its holder reads
   */
  @Schema(name = "BadgeHolder")
  record HolderView(
      EnrolmentId enrolment,
      PersonId person,
      String name,
      AwardState state,
      Instant awardedAt,
      Optional<Instant> endsAt,
      Optional<String> by,
      String reason,
      Optional<String> evidence,
      int times,
      Optional<Instant> revokedAt,
      Optional<String> revokedReason,
      boolean inDoubt) {}

  /**
   * Somebody to whom one thing is missing.
   *
   * @param missing what, as a sentence
   */
  @Schema(name = "BadgeClose")
  record CloseView(EnrolmentId enrolment, PersonId person, String name, String missing) {}

  /** A badge with its holders, the newest first, and those who are close to it. */
  @Schema(name = "BadgeHolders")
  record HoldersView(BadgeHeldView badge, List<HolderView> holders, List<CloseView> close) {}

  List<BadgeHeldView> all(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return List.of();
    List<Learners.Snapshot> seen = learners.of(seat);
    Map<BadgeId, List<AwardRecord>> awards = awards(seen);
    Map<BadgeId, List<CloseView>> close = close(seen, Optional.empty());
    return ready.get().document().design().badges().stream()
        .map(b ->
            held(
                ready.get(),
                b,
                seen,
                awards.getOrDefault(b.id(), List.of()),
                close.getOrDefault(b.id(), List.of())))
        .toList();
  }

  HoldersView of(Seat seat, BadgeId id) {
    Designs.Ready ready =
        designs.published(seat.course()).orElseThrow(() -> Problem.notFound("badge"));
    Badge badge = ready.document().design().badge(id).orElseThrow(() -> Problem.notFound("badge"));
    List<Learners.Snapshot> seen = learners.of(seat);
    List<AwardRecord> awards = awards(seen).getOrDefault(id, List.of());
    List<CloseView> close = close(seen, Optional.of(id)).getOrDefault(id, List.of());
    return new HoldersView(
        held(ready, badge, seen, awards, close), holders(badge, seen, awards), close);
  }

  /** The last award of each badge to each learner, the newest first. */
  private Map<BadgeId, List<AwardRecord>> awards(List<Learners.Snapshot> seen) {
    Set<EnrolmentId> who = new HashSet<>();
    seen.forEach(s -> who.add(s.enrolment()));
    return db
        .selectFrom(AWARD)
        .where(AWARD.ENROLMENT_ID.in(who))
        .orderBy(AWARD.AWARDED_AT.desc(), AWARD.FACT_ID.desc())
        .fetch()
        .stream()
        .collect(Collectors.groupingBy(AwardRecord::getBadgeId));
  }

  private static Map<EnrolmentId, AwardRecord> last(List<AwardRecord> awards) {
    Map<EnrolmentId, AwardRecord> last = new HashMap<>();
    for (AwardRecord award : awards) last.putIfAbsent(award.getEnrolmentId(), award);
    return last;
  }

  private BadgeHeldView held(
      Designs.Ready ready,
      Badge badge,
      List<Learners.Snapshot> seen,
      List<AwardRecord> awards,
      List<CloseView> close) {
    Instant now = clock.instant();
    Map<AwardState, Long> states =
        last(awards).values().stream()
            .collect(
                Collectors.groupingBy(
                    a -> AwardState.of(a, badge.validity(), now), Collectors.counting()));
    Function<AwardState, Integer> count = state -> states.getOrDefault(state, 0L).intValue();
    int endsSoon = count.apply(AwardState.ENDS_SOON);
    int inDoubt =
        (int) seen.stream().filter(s -> s.summary().inDoubt().contains(badge.id())).count();
    var wording =
        new Wording(
            ready.document().design(), institutions.writing(ready.document().design().zone(), now));
    return new BadgeHeldView(
        badge.id(),
        badge.name(),
        badge.description(),
        ready.document().face(badge.id()).picture(),
        badge.surprise(),
        badge
            .earnedWhen()
            .map(rule -> wording.line(rule, new RuleAt.BadgeEarned(badge.id())))
            .orElse(""),
        count.apply(AwardState.CURRENT) + endsSoon,
        endsSoon,
        count.apply(AwardState.ENDED),
        count.apply(AwardState.REVOKED),
        close.size(),
        inDoubt);
  }

  private List<HolderView> holders(
      Badge badge, List<Learners.Snapshot> seen, List<AwardRecord> awards) {
    Instant now = clock.instant();
    Map<EnrolmentId, Learners.Snapshot> who =
        seen.stream().collect(Collectors.toMap(Learners.Snapshot::enrolment, Function.identity()));
    Map<EnrolmentId, Long> times =
        awards.stream()
            .collect(Collectors.groupingBy(AwardRecord::getEnrolmentId, Collectors.counting()));
    Set<PersonId> staff = new HashSet<>();
    awards.forEach(a -> Optional.ofNullable(a.getGivenById()).ifPresent(staff::add));
    Map<PersonId, String> names = people.names(staff);
    List<HolderView> views = new ArrayList<>();
    for (AwardRecord a : last(awards).values()) {
      Learners.Snapshot learner = who.get(a.getEnrolmentId());
      if (learner == null) continue;
      views.add(
          new HolderView(
              learner.enrolment(),
              learner.person(),
              learner.name(),
              AwardState.of(a, badge.validity(), now),
              a.getAwardedAt(),
              Optional.ofNullable(a.getEndsAt()),
              Optional.ofNullable(a.getGivenById()).map(by -> names.getOrDefault(by, "")),
              a.getReason(),
              Optional.ofNullable(a.getEvidence()),
              times.getOrDefault(a.getEnrolmentId(), 1L).intValue(),
              Optional.ofNullable(a.getRevokedAt()),
              Optional.ofNullable(a.getRevokedReason()),
              learner.summary().inDoubt().contains(badge.id())));
    }
    views.sort(
        Comparator.comparing(HolderView::awardedAt).reversed().thenComparing(HolderView::name));
    return views;
  }

  /** Those to whom one thing is missing that they, or staff, can still bring about. */
  private Map<BadgeId, List<CloseView>> close(
      List<Learners.Snapshot> seen, Optional<BadgeId> only) {
    Map<EnrolmentId, Learners.Snapshot> who =
        seen.stream().collect(Collectors.toMap(Learners.Snapshot::enrolment, Function.identity()));
    Map<BadgeId, List<CloseView>> close = new HashMap<>();
    for (Walk walk : walks.seeAll(seen.stream().map(Learners.Snapshot::enrolment).toList())) {
      Learners.Snapshot learner = who.get(walk.enrolment());
      if (learner == null || walk.progress().record().left()) continue;
      Explaining explaining = Explaining.toStaff(walk, Map.of());
      CourseIndex index = walk.progress().course().index();
      for (int b = 0; b < index.badges(); b++) {
        BadgeId id = index.badge(b).id();
        if (only.filter(o -> !o.equals(id)).isPresent()) continue;
        if (index.badge(b).earnedWhen().isEmpty() || walk.progress().record().holds(b)) continue;
        explaining
            .onlyMissing(new RuleAt.BadgeEarned(id))
            .ifPresent(missing ->
                close
                    .computeIfAbsent(id, _ -> new ArrayList<>())
                    .add(
                        new CloseView(
                            learner.enrolment(), learner.person(), learner.name(), missing)));
      }
    }
    close.values().forEach(all -> all.sort(Comparator.comparing(CloseView::name)));
    return close;
  }
}
