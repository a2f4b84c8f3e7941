package yendrik.core.kind;

/** Formatted text to read. */
final class PageKind extends ReadKind {
  static final Kind KIND = new PageKind();
}
