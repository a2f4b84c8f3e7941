package yendrik.core.course;

/**
 * What a learner meets in a step: the closed list. What a kind is stands with the kind itself, in
 * {@code kind}. New ones come at the end: rules about samples of a kind are kept by its place.
 */
public enum StepKind {
  PAGE("PAGE"),
  VIDEO("VIDEO"),
  QUIZ("QUIZ"),
  ASSIGNMENT("ASSIGNMENT"),
  PRACTICAL("PRACTICAL"),
  NOTE("NOTE"),
  FILE("FILE"),
  LINK("LINK"),
  DISCUSSION("DISCUSSION"),
  JOURNAL("JOURNAL"),
  CLOSING("CLOSING");

  private final String stored;

  StepKind(String stored) {
    this.stored = stored;
  }

  /** The name under which the kind is stored; it keeps its meaning for good. */
  public String stored() {
    return stored;
  }
}
