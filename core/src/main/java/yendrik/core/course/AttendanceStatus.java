package yendrik.core.course;

import java.util.List;
import yendrik.core.id.StatusId;

/**
 * What a register can say of a learner at a session; a course has its own.
 *
 * @param name as it is said: "Late"
 * @param there whether the learner came
 * @param counts whether the session counts for the learner
 */
public record AttendanceStatus(StatusId id, String name, boolean there, boolean counts) {
  /** Those that a course begins with, in the order in which they are offered. */
  public static final List<AttendanceStatus> SHIPPED =
      List.of(
          new AttendanceStatus(new StatusId(1), "Present", true, true),
          new AttendanceStatus(new StatusId(2), "Late", true, true),
          new AttendanceStatus(new StatusId(3), "Left early", true, true),
          new AttendanceStatus(new StatusId(4), "Absent with notice", false, false),
          new AttendanceStatus(new StatusId(5), "Absent", false, true));
}
