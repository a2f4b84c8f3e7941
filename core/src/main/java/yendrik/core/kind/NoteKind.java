package yendrik.core.kind;

/** A short text among the steps. */
final class NoteKind extends ReadKind {
  static final Kind KIND = new NoteKind();
}
