package yendrik.core.kind;

/** Something elsewhere. */
final class LinkKind extends ReadKind {
  static final Kind KIND = new LinkKind();
}
