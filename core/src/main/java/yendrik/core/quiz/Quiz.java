package yendrik.core.quiz;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.OutcomeId;

/** Questions that are asked together. */
public record Quiz(List<Question> questions) {
  public Quiz {
    questions = List.copyOf(questions);
  }

  /**
   * How one question went.
   *
   * @param points what its mark comes to
   * @param comment what staff said about the answer, may be empty
   */
  public record Answered(String question, Mark mark, double points, String comment) {
    /** Without a comment. */
    public Answered(String question, Mark mark, double points) {
      this(question, mark, points, "");
    }
  }

  /**
   * What staff say about one answer.
   *
   * @param points from 0 to those of its question
   */
  public record Judged(double points, String comment) {}

  /** Points of points of the questions that carry one outcome. */
  public record Part(OutcomeId outcome, double points, double of) {
    /** From 0 to 1; 0 where no points are to be had. */
    public double share() {
      return of > 0 ? points / of : 0;
    }
  }

  /** A marked attempt. Points of points, and each question in order. */
  public record Result(double points, double of, List<Answered> answers) {
    public Result {
      answers = List.copyOf(answers);
    }

    /** From 0 to 1; 0 where no points are to be had. */
    public double share() {
      return of == 0 ? 0 : points / of;
    }

    /** How many answers wait for staff. */
    public int waits() {
      return (int) answers.stream().filter(a -> a.mark() instanceof Mark.ForStaff).count();
    }
  }

  /** The most points that can be had. */
  public double points() {
    return questions.stream().mapToDouble(Question::points).sum();
  }

  /**
   * Marks an attempt. A question left out, or answered with what it does not have, gives nothing,
   * and so does one that staff mark until they have.
   *
   * @param given what was answered by the question's id
   */
  public Result mark(Map<String, Answer> given) {
    List<Answered> answers = new ArrayList<>();
    double sum = 0;
    for (Question question : questions) {
      Mark mark = question.mark(Optional.ofNullable(given.get(question.id())));
      double points =
          switch (mark) {
            case Mark.Marked(double share) -> share * question.points();
            case Mark.ForStaff() -> 0;
          };
      sum += points;
      answers.add(new Answered(question.id(), mark, points));
    }
    return new Result(sum, points(), answers);
  }

  /**
   * The same attempt once staff have marked answers of it, in place of earlier marks of the same
   * answers.
   *
   * @param judged by the question's id
   * @throws Refusal if a question is none whose answers staff mark, or its points are not to be had
   */
  public Result judged(Result result, Map<String, Judged> judged) {
    Map<String, Judged> left = new HashMap<>(judged);
    List<Answered> answers = new ArrayList<>();
    for (Answered before : result.answers()) {
      Judged now = left.remove(before.question());
      answers.add(now == null ? before : judged(before, now));
    }
    if (!left.isEmpty()) throw new Refusal("not-for-staff", "n", left.size());
    double sum = answers.stream().mapToDouble(Answered::points).sum();
    return new Result(Math.min(sum, result.of()), result.of(), answers);
  }

  private Answered judged(Answered before, Judged now) {
    Question question =
        questions.stream()
            .filter(q -> q.id().equals(before.question()))
            .filter(q -> q.asked().byStaff())
            .findFirst()
            .orElseThrow(() -> new Refusal("not-for-staff", "n", 1));
    double of = question.points();
    if (!(now.points() >= 0 && now.points() <= of))
      throw new Refusal("points-of", "points", now.points(), "of", of);
    return new Answered(
        before.question(), new Mark.Marked(now.points() / of), now.points(), now.comment());
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
}
