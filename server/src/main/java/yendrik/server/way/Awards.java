package yendrik.server.way;

import static yendrik.schema.Tables.AWARD;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.OutcomeId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.server.design.Designs;
import yendrik.server.design.Json;

/**
 * Keeps a row for each award, within the transaction of the act that brought it: with what makes it
 * known outside, and as it was then.
 */
@Repository
class Awards {
  private final DSLContext db;

  Awards(DSLContext db) {
    this.db = db;
  }

  void follow(Walk walk, Progress progress, List<Fact> fresh, Designs.Ready ready) {
    for (Fact fact : fresh)
      switch (fact.what()) {
        case Fact.BadgeIssued issued -> award(walk, progress, fact, issued, ready);
        case Fact.BadgeRevoked gone -> revoke(walk, gone, fact.at());
        default -> {}
      }
  }

  private void award(
      Walk walk, Progress progress, Fact fact, Fact.BadgeIssued issued, Designs.Ready ready) {
    db.insertInto(AWARD)
        .set(AWARD.ID, UUID.randomUUID())
        .set(AWARD.COURSE_ID, walk.course())
        .set(AWARD.ENROLMENT_ID, walk.enrolment())
        .set(AWARD.PERSON_ID, walk.person())
        .set(AWARD.BADGE_ID, issued.badge())
        .set(AWARD.FACT_ID, fact.id())
        .set(AWARD.DESIGN_VERSION, ready.version())
        .set(AWARD.AWARDED_AT, fact.at())
        .set(AWARD.ENDS_AT, issued.until().orElse(null))
        .set(AWARD.SOON_AT, soon(issued, ready))
        .set(AWARD.GIVEN_BY_ID, fact.by().orElse(null))
        .set(AWARD.REASON, issued.reason())
        .set(AWARD.EVIDENCE, issued.evidence().orElse(null))
        .set(AWARD.TO_CERTIFY, ready.document().face(issued.badge()).sheet().isPresent())
        .set(AWARD.LEVELS, Json.of(levels(progress, issued.badge(), ready)))
        .execute();
  }

  private static @Nullable Instant soon(Fact.BadgeIssued issued, Designs.Ready ready) {
    return issued
        .until()
        .flatMap(end ->
            ready
                .document()
                .design()
                .badge(issued.badge())
                .map(badge -> badge.validity().soon(end)))
        .orElse(null);
  }

  /** The levels shown of what the badge stands for, by the keys of their scale. */
  private static Map<OutcomeId, Integer> levels(
      Progress progress, BadgeId badge, Designs.Ready ready) {
    CourseIndex index = progress.course().index();
    Map<OutcomeId, Integer> levels = new TreeMap<>();
    for (OutcomeId outcome : ready.document().face(badge).outcomes()) {
      int o = index.number(outcome);
      if (o == CourseIndex.UNKNOWN) continue;
      progress
          .record()
          .level(o)
          .ifPresent(
              level -> levels.put(outcome, index.outcome(o).scale().levels().get(level).key()));
    }
    return levels;
  }

  /** The award that stands; what was revoked before stays so. */
  private void revoke(Walk walk, Fact.BadgeRevoked gone, Instant at) {
    db.update(AWARD)
        .set(AWARD.REVOKED_AT, at)
        .set(AWARD.REVOKED_REASON, gone.reason())
        .where(
            AWARD.ENROLMENT_ID.eq(walk.enrolment()),
            AWARD.BADGE_ID.eq(gone.badge()),
            AWARD.REVOKED_AT.isNull())
        .execute();
  }
}
