package yendrik.core.strand.work;

/** What staff make of a piece of work. */
public enum Judgement {
  PASSED,
  AGAIN,
  FAILED
}
