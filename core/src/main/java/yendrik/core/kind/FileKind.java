package yendrik.core.kind;

/** Files to look at or to save. */
final class FileKind extends ReadKind {
  static final Kind KIND = new FileKind();
}
