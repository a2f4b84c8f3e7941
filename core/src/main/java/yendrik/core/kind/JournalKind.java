package yendrik.core.kind;

/** Entries that a learner writes for staff alone. */
final class JournalKind extends WrittenKind {
  static final Kind KIND = new JournalKind();
}
