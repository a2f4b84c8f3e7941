package yendrik.server.work;

import java.time.Instant;
import java.util.Collection;
import java.util.Map;
import yendrik.core.id.EnrolmentId;

/** Something besides what is handed in that waits for staff. */
public interface AlsoWaits {
  /** Since when it waits, by learner and step. */
  Map<Versions.Place, Instant> since(Collection<EnrolmentId> enrolments);
}
