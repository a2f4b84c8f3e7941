package yendrik.server.kinds.quiz;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.taking.Taking;
import yendrik.server.design.Content;
import yendrik.server.design.TextFiles;
import yendrik.server.kinds.quiz.bank.AsksFromBank;
import yendrik.server.kinds.quiz.bank.BankQuestions;
import yendrik.server.kinds.quiz.question.KeptDraw;
import yendrik.server.kinds.quiz.question.KeptQuestion;

/**
 * What is kept of a quiz.
 *
 * @param draws what is drawn at random beside them
 * @param taken how it is taken, where that was ever said
 */
public record QuizContent(
    String body, List<KeptQuestion> questions, List<KeptDraw> draws, Optional<Taking> taken)
    implements Content, AsksFromBank {
  public QuizContent {
    questions = List.copyOf(questions);
    draws = List.copyOf(draws);
  }

  @Override
  public Set<Long> files() {
    Set<Long> files = new HashSet<>(TextFiles.of(body));
    questions.forEach(q -> files.addAll(q.files()));
    draws.forEach(d -> files.addAll(d.files()));
    return files;
  }

  @Override
  public Set<RubricId> rubrics() {
    return all().flatMap(q -> q.rubric().stream()).collect(Collectors.toUnmodifiableSet());
  }

  private Stream<KeptQuestion> all() {
    return Stream.concat(questions.stream(), draws.stream().flatMap(d -> d.pool().stream()));
  }

  @Override
  public Set<QuestionId> asked() {
    return questions.stream()
        .flatMap(q -> q.bank().stream())
        .collect(Collectors.toUnmodifiableSet());
  }

  @Override
  public Set<QuestionId> drawn() {
    return draws.stream()
        .flatMap(d -> d.pool().stream())
        .flatMap(q -> q.bank().stream())
        .collect(Collectors.toUnmodifiableSet());
  }

  /** Which of the course's questions it may ask, by what it calls them. */
  public Map<String, QuestionId> banked() {
    Map<String, QuestionId> banked = new HashMap<>();
    all().forEach(q -> q.bank().ifPresent(id -> banked.put(q.id(), id)));
    return banked;
  }

  /** The most points that can be had. */
  double points() {
    return questions.stream().mapToDouble(KeptQuestion::points).sum()
        + draws.stream().mapToDouble(d -> d.count() * d.points()).sum();
  }

  /** With what the course's questions ask now, and what can be drawn from them. */
  QuizContent whole(List<BankQuestions.Banked> bank) {
    Map<QuestionId, KeptQuestion> byId = new HashMap<>();
    bank.forEach(b -> byId.put(b.id(), b.question()));
    return new QuizContent(
        body,
        questions.stream().map(q -> q.bank().map(byId::get).map(q::now).orElse(q)).toList(),
        draws.stream()
            .map(d ->
                d.from(
                    bank.stream()
                        .filter(b -> d.takes(b.tags(), b.difficulty()))
                        .map(BankQuestions.Banked::question)
                        .toList()))
            .toList(),
        taken);
  }

  /** Whether any of its questions are those of the course. */
  boolean takesFromCourse() {
    return !draws.isEmpty() || questions.stream().anyMatch(q -> q.bank().isPresent());
  }

  public Taking taking() {
    return taken.orElse(Taking.USUAL);
  }
}
