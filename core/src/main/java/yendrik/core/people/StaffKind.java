package yendrik.core.people;

/** What somebody can be on the staff of a course. */
public enum StaffKind {
  DESIGNER,
  FACILITATOR,
  SUPPORT
}
