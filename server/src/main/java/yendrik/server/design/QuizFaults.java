package yendrik.server.design;

import java.util.ArrayList;
import java.util.List;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.quiz.Quiz;

/** What keeps quizzes from being put before learners, in words. */
public final class QuizFaults {
  private QuizFaults() {}

  /** The faults of all quizzes that are published. */
  static List<String> of(Document document) {
    List<String> faults = new ArrayList<>();
    for (CourseModule module : document.design().modules())
      for (Step step : module.steps())
        if (step.kind() == StepKind.QUIZ && step.published() && module.published())
          faults.addAll(of(step.name(), document.content(step.id()).quiz()));
    return faults;
  }

  /** The faults of one quiz; none when it can be taken. */
  public static List<String> of(String name, Quiz quiz) {
    if (quiz.questions().isEmpty()) return List.of("“" + name + "” has no questions yet.");
    return quiz.faults().stream()
        .map(f -> "Question " + (f.question() + 1) + " of “" + name + "” " + words(f.kind()))
        .toList();
  }

  private static String words(Quiz.Fault.Kind kind) {
    return switch (kind) {
      case NO_TEXT -> "asks nothing yet.";
      case TOO_FEW_CHOICES -> "needs two choices or more.";
      case EMPTY_CHOICE -> "has a choice without words.";
      case NO_RIGHT_CHOICE -> "has no right choice.";
      case POINTS_NOT_POSITIVE -> "needs points above 0.";
    };
  }
}
