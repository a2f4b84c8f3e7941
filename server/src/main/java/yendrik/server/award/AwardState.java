package yendrik.server.award;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.course.Validity;
import yendrik.schema.tables.records.AwardRecord;

/** What an award is worth now. */
public enum AwardState {
  CURRENT,
  ENDS_SOON,
  ENDED,
  REVOKED;

  /** The state of one award at a moment. */
  static AwardState of(AwardRecord award, Validity validity, Instant now) {
    if (award.getRevokedAt() != null) return REVOKED;
    return of(Optional.ofNullable(award.getEndsAt()), validity, now);
  }

  /** The same of one that was not revoked. */
  public static AwardState of(Optional<Instant> end, Validity validity, Instant now) {
    if (end.isEmpty()) return CURRENT;
    if (!now.isBefore(end.get())) return ENDED;
    return now.isBefore(validity.soon(end.get())) ? CURRENT : ENDS_SOON;
  }
}
