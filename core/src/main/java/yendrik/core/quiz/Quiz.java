package yendrik.core.quiz;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import yendrik.core.Refusal;
import yendrik.core.id.OutcomeId;
import yendrik.core.rubric.Rubric;

/**
 * Questions that are asked together.
 *
 * @param leftOut ids of questions that were left out after they were asked
 * @param fullMarks ids of questions for which everybody has the full mark
 */
public record Quiz(List<Question> questions, Set<String> leftOut, Set<String> fullMarks) {
  public Quiz {
    questions = List.copyOf(questions);
    leftOut = Set.copyOf(leftOut);
    fullMarks = Set.copyOf(fullMarks);
  }

  /** Questions as they were asked. */
  public Quiz(List<Question> questions) {
    this(questions, Set.of(), Set.of());
  }

  /**
   * The same after corrections, of which the last one of a question holds. Of two questions of 2
   * and 3 points with the second one left out, 2 points are to be had.
   */
  public Quiz corrected(List<Correction> corrections) {
    List<Question> right = new ArrayList<>(questions);
    Set<String> out = new HashSet<>(leftOut);
    Set<String> full = new HashSet<>(fullMarks);
    for (Correction correction : corrections) {
      String id = correction.question();
      out.remove(id);
      full.remove(id);
      switch (correction) {
        case Correction.LeftOut _ -> out.add(id);
        case Correction.FullMarks _ -> full.add(id);
        case Correction.RightAnswer(var _, var asked) ->
            right.replaceAll(q -> q.id().equals(id) ? q.asking(asked) : q);
      }
    }
    return new Quiz(right, out, full);
  }

  /**
   * How one question went.
   *
   * @param points what its mark comes to
   * @param comment what staff said about the answer, may be empty
   * @param met what staff saw met of a rubric, nothing where they went through none
   */
  public record Answered(
      String question, Mark mark, double points, String comment, List<Rubric.Met> met) {
    public Answered {
      met = List.copyOf(met);
    }

    /** About which nobody said anything. */
    public Answered(String question, Mark mark, double points) {
      this(question, mark, points, "", List.of());
    }
  }

  /**
   * What staff say about one answer.
   *
   * @param points from 0 to those of its question
   * @param met what they saw met of the question's rubric, nothing where they went through none
   */
  public record Judged(double points, String comment, List<Rubric.Met> met) {
    public Judged {
      met = List.copyOf(met);
    }

    /** By points alone. */
    public Judged(double points, String comment) {
      this(points, comment, List.of());
    }
  }

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
  }

  /** The most points that can be had. */
  public double points() {
    return questions.stream()
        .filter(question -> !leftOut.contains(question.id()))
        .mapToDouble(Question::points)
        .sum();
  }

  /**
   * Marks an attempt. A question left out, or answered with what it does not have, gives nothing,
   * and so does one that staff mark until they have.
   *
   * @param given what was answered by the question's id
   */
  public Result mark(Map<String, Answer> given) {
    return mark(given, Map.of());
  }

  /**
   * Marks an attempt in which help was asked for.
   *
   * @param hints how many hints were given by the question's id
   */
  public Result mark(Map<String, Answer> given, Map<String, Integer> hints) {
    List<Answered> answers = new ArrayList<>();
    for (Question question : questions) {
      Mark mark = question.mark(Optional.ofNullable(given.get(question.id())));
      double points = question.pointsFor(mark, hints.getOrDefault(question.id(), 0));
      answers.add(new Answered(question.id(), mark, righted(question, points)));
    }
    return summed(answers);
  }

  /** What a question comes to after what was put right about it. */
  private double righted(Question question, double points) {
    if (leftOut.contains(question.id())) return 0;
    return fullMarks.contains(question.id()) ? question.points() : points;
  }

  private Result summed(List<Answered> answers) {
    double sum = answers.stream().mapToDouble(Answered::points).sum();
    return new Result(Math.min(sum, points()), points(), answers);
  }

  /** How many answers wait for staff; what is left out or has the full mark anyway does not. */
  public int waits(Result result) {
    return (int)
        result.answers().stream()
            .filter(a -> a.mark() instanceof Mark.ForStaff)
            .filter(a -> !leftOut.contains(a.question()) && !fullMarks.contains(a.question()))
            .count();
  }

  /**
   * Marks an attempt anew, after a correction for example. What staff have given is kept, also
   * while a correction has it count for something else.
   *
   * @param before as it was marked
   */
  public Result markAgain(Result before, Map<String, Answer> given, Map<String, Integer> hints) {
    Map<String, Answered> then = new HashMap<>();
    before.answers().forEach(answered -> then.put(answered.question(), answered));
    List<Answered> now = mark(given, hints).answers();
    List<Answered> answers = new ArrayList<>();
    for (int n = 0; n < questions.size(); n++)
      answers.add(again(questions.get(n), then.get(questions.get(n).id()), now.get(n)));
    return summed(answers);
  }

  private Answered again(Question question, @Nullable Answered was, Answered now) {
    if (was == null) return now;
    if (now.mark() instanceof Mark.ForStaff && was.mark() instanceof Mark.Marked(double share)) {
      double points = righted(question, share * question.points());
      return new Answered(question.id(), was.mark(), points, was.comment(), was.met());
    }
    return new Answered(question.id(), now.mark(), now.points(), was.comment(), was.met());
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
            .filter(q -> !leftOut.contains(q.id()) && !fullMarks.contains(q.id()))
            .findFirst()
            .orElseThrow(() -> new Refusal("not-for-staff", "n", 1));
    double of = question.points();
    if (!(now.points() >= 0 && now.points() <= of))
      throw new Refusal("points-of", "points", now.points(), "of", of);
    return new Answered(
        before.question(),
        of > 0 ? new Mark.Marked(now.points() / of) : Mark.WHOLE,
        now.points(),
        now.comment(),
        now.met());
  }

  /**
   * How the questions of each outcome went, in the order of the questions; outcomes that no
   * question carries are not in it.
   */
  public List<Part> parts(Result result) {
    Map<OutcomeId, Part> parts = new LinkedHashMap<>();
    for (Question question : questions) {
      if (question.outcome().isEmpty() || leftOut.contains(question.id())) continue;
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
