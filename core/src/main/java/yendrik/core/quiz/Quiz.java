package yendrik.core.quiz;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.id.OutcomeId;

/** Questions with one right answer each. */
public record Quiz(List<Question> questions) {
  /** The most that one question can be worth. */
  public static final double MOST_POINTS = 10_000;

  public Quiz {
    questions = List.copyOf(questions);
  }

  /**
   * @param id unique in the quiz
   * @param points greater than 0
   * @param right the id of the right choice
   * @param feedback said after the attempt, may be empty
   * @param outcome which outcome the question carries, of those that its step gives evidence of
   */
  public record Question(
      String id,
      String text,
      double points,
      List<Choice> choices,
      String right,
      String feedback,
      Optional<OutcomeId> outcome) {
    /** A question that carries no outcome of its own. */
    public Question(
        String id,
        String text,
        double points,
        List<Choice> choices,
        String right,
        String feedback) {
      this(id, text, points, choices, right, feedback, Optional.empty());
    }

    public Question {
      choices = List.copyOf(choices);
    }
  }

  public record Choice(String id, String text) {}

  /** What is wrong with a question, so that it can be said beside it. */
  public record Fault(int question, Kind kind) {
    /** Every kind of fault. */
    public enum Kind {
      NO_TEXT,
      TOO_FEW_CHOICES,
      EMPTY_CHOICE,
      NO_RIGHT_CHOICE,
      POINTS_NOT_POSITIVE
    }
  }

  /** How one question went. */
  public record Answered(String question, Optional<String> chosen, boolean right, double points) {}

  /** Points of points of the questions that carry one outcome. */
  public record Part(OutcomeId outcome, double points, double of) {
    /** From 0 to 1; 0 where no points are to be had. */
    public double share() {
      return of > 0 ? points / of : 0;
    }
  }

  /** A marked attempt. Points of points, and each question in order. */
  public record Result(double points, double of, List<Answered> answers) {
    public double share() {
      return of == 0 ? 0 : points / of;
    }
  }

  /** The most points that can be had. */
  public double points() {
    return questions.stream().mapToDouble(Question::points).sum();
  }

  /**
   * Marks an attempt. A question left out, or answered with a choice it does not have, gives
   * nothing.
   *
   * @param chosen the choice's id by the question's
   */
  public Result mark(Map<String, String> chosen) {
    List<Answered> answers = new ArrayList<>();
    double sum = 0;
    for (Question question : questions) {
      Optional<String> choice = Optional.ofNullable(chosen.get(question.id()));
      boolean right = choice.filter(question.right()::equals).isPresent();
      double points = right ? question.points() : 0;
      sum += points;
      answers.add(new Answered(question.id(), choice, right, points));
    }
    return new Result(sum, points(), List.copyOf(answers));
  }

  /**
   * How the questions of each outcome went, in the order of the questions; outcomes that no
   * question carries are not in it.
   */
  public List<Part> parts(Result result) {
    Map<OutcomeId, Part> parts = new LinkedHashMap<>();
    for (Question question : questions) {
      if (question.outcome().isEmpty()) continue;
      double points =
          result.answers().stream()
              .filter(a -> a.question().equals(question.id()))
              .mapToDouble(Answered::points)
              .sum();
      parts.merge(
          question.outcome().get(),
          new Part(question.outcome().get(), points, question.points()),
          (a, b) -> new Part(a.outcome(), a.points() + b.points(), a.of() + b.of()));
    }
    return List.copyOf(parts.values());
  }

  /** All faults, by question. */
  public List<Fault> faults() {
    List<Fault> faults = new ArrayList<>();
    for (int i = 0; i < questions.size(); i++) {
      Question q = questions.get(i);
      if (q.text().isBlank()) faults.add(new Fault(i, Fault.Kind.NO_TEXT));
      if (q.choices().size() < 2) faults.add(new Fault(i, Fault.Kind.TOO_FEW_CHOICES));
      if (q.choices().stream().anyMatch(c -> c.text().isBlank()))
        faults.add(new Fault(i, Fault.Kind.EMPTY_CHOICE));
      if (q.choices().stream().noneMatch(c -> c.id().equals(q.right())))
        faults.add(new Fault(i, Fault.Kind.NO_RIGHT_CHOICE));
      if (!(q.points() > 0 && q.points() <= MOST_POINTS))
        faults.add(new Fault(i, Fault.Kind.POINTS_NOT_POSITIVE));
    }
    return faults;
  }
}
