package yendrik.core.kind;

import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.strand.attempts.AttemptsStrand;

/** The door from a kind's name to the kind; the only switch over kinds in core. */
public final class Kinds {
  private Kinds() {}

  /** Whether a step is tried and marked at once. */
  public static boolean tried(Step step) {
    return of(step.kind()).strands().contains(AttemptsStrand.DOOR);
  }

  /** What a kind is. */
  public static Kind of(StepKind kind) {
    return switch (kind) {
      case PAGE -> PageKind.KIND;
      case VIDEO -> VideoKind.KIND;
      case QUIZ -> QuizKind.KIND;
      case ASSIGNMENT -> AssignmentKind.KIND;
      case PRACTICAL -> PracticalKind.KIND;
      case NOTE -> NoteKind.KIND;
      case FILE -> FileKind.KIND;
      case LINK -> LinkKind.KIND;
      case DISCUSSION -> DiscussionKind.KIND;
      case JOURNAL -> JournalKind.KIND;
      case CLOSING -> ClosingKind.KIND;
    };
  }
}
