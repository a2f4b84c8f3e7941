package yendrik.core.rehearse.crowd;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.core.Refusal;
import yendrik.core.id.GroupId;
import yendrik.core.id.SessionId;

/**
 * Who walks through a course, and what is around them.
 *
 * @param learners how many, 1 to {@value #MOST_LEARNERS}
 * @param seed the same seed gives the same learners with the same luck, under any design
 * @param weeks how long they are watched, 1 to {@value #MOST_WEEKS}
 * @param folk how able and how quick they are
 * @param stopping the share of those still there who stop in a week, 0 to 0.5
 * @param staffDays how long staff take to look at something, on average; 0 or more
 * @param attendance the share of sessions that a learner comes to, 0 to 1
 * @param memberships the groups that a learner may be in, one of them each by chance; empty for
 *     none
 * @param meetings sessions with their time
 */
public record Crowd(
    int learners,
    long seed,
    int weeks,
    Folk folk,
    double stopping,
    double staffDays,
    double attendance,
    List<Set<GroupId>> memberships,
    List<Meeting> meetings) {
  public static final int MOST_LEARNERS = 5000;
  public static final int MOST_WEEKS = 156;
  private static final double MOST_STAFF_DAYS = 100;

  /**
   * A session.
   *
   * @param group whose it is; empty for everybody's
   */
  public record Meeting(SessionId session, Instant at, Optional<GroupId> group) {}

  public Crowd {
    if (learners < 1 || learners > MOST_LEARNERS)
      throw new Refusal("crowd.learners", "n", learners, "most", MOST_LEARNERS);
    if (weeks < 1 || weeks > MOST_WEEKS)
      throw new Refusal("crowd.weeks", "n", weeks, "most", MOST_WEEKS);
    if (!(stopping >= 0 && stopping <= 0.5)) throw new Refusal("crowd.stopping", "share", stopping);
    if (!(staffDays >= 0 && staffDays <= MOST_STAFF_DAYS))
      throw new Refusal("crowd.staff-days", "n", staffDays, "most", MOST_STAFF_DAYS);
    if (!(attendance >= 0 && attendance <= 1)) throw new Refusal("share", "share", attendance);
    memberships = List.copyOf(memberships);
    meetings = List.copyOf(meetings);
  }
}
