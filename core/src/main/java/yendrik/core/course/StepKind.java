package yendrik.core.course;

/** What a learner meets in a step. The kind decides which facts the step can bring about. */
public enum StepKind {
  /** Formatted text to read; brings about <em>seen</em> and <em>confirmed</em>. */
  PAGE,
  /** A film to watch; brings about <em>seen</em> and the seconds that were <em>watched</em>. */
  VIDEO,
  /** Questions marked at once; brings about attempts with scores. */
  QUIZ,
  /** Work handed in as text and marked by staff. */
  ASSIGNMENT,
  /** Something done with the hands in front of staff, who sign it off. */
  PRACTICAL;

  /** Whether learners can send work that then waits for staff. */
  public boolean handedIn() {
    return this == ASSIGNMENT;
  }

  /** Whether the step can ever have a score. */
  public boolean scored() {
    return this == QUIZ || this == ASSIGNMENT || this == PRACTICAL;
  }
}
