package yendrik.server.way;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import yendrik.core.id.EnrolmentId;
import yendrik.core.progress.Progress;
import yendrik.schema.tables.records.EnrolmentRecord;

/**
 * How far learners were a moment ago, at hand for their next act, which then reads nothing back.
 * Whoever goes on takes it out, under the lock on the learner, so that it is never in two hands; it
 * counts only while the row bears the stamp of the act that put it here, so that it does not matter
 * which server wrote the row.
 */
@Component
class WarmWays {
  private static final int MOST = 1_000;
  private static final Duration WHILE = Duration.ofMinutes(15);

  private final Cache<EnrolmentId, Warm> ways =
      Caffeine.newBuilder().maximumSize(MOST).expireAfterAccess(WHILE).build();

  private record Warm(long stamp, Progress progress) {}

  /**
   * The stamp that a row must bear for what is at hand to be of use; none has the one below zero.
   */
  long stamp(EnrolmentId enrolment) {
    Warm warm = ways.getIfPresent(enrolment);
    return warm == null ? -1 : warm.stamp;
  }

  /** Empty when somebody else has been there since, or nobody for a while. */
  Optional<Progress> take(EnrolmentRecord row) {
    Warm warm = ways.asMap().remove(row.getId());
    return warm != null && warm.stamp == row.getStamp()
        ? Optional.of(warm.progress)
        : Optional.empty();
  }

  /** Once the transaction is through; what is rolled back never was. */
  void keep(EnrolmentId enrolment, long stamp, Progress progress) {
    TransactionSynchronizationManager.registerSynchronization(
        new TransactionSynchronization() {
          @Override
          public void afterCommit() {
            ways.put(enrolment, new Warm(stamp, progress));
          }
        });
  }
}
