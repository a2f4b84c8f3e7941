package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Quiz;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.http.Problem;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.kinds.quiz.question.KeptQuestion;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.kinds.quiz.question.WrittenQuestion;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** Questions that are marked at once. */
@Component
class QuizRoom extends StepRoom<QuizContent, QuizAuthored, QuizEdit> {
  private final Attempts attempts;
  private final Questions questions;

  QuizRoom(Attempts attempts, Questions questions) {
    super(StepKind.QUIZ, QuizContent.class, QuizAuthored.class, QuizEdit.class);
    this.attempts = attempts;
    this.questions = questions;
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return QuizShown.class;
  }

  @Override
  protected QuizContent fresh() {
    return new QuizContent("", List.of(), Optional.empty());
  }

  @Override
  protected QuizAuthored part(QuizContent content) {
    return new QuizAuthored(
        quiz(content).questions().stream().map(questions::written).toList(),
        WrittenTaking.of(content.taking()));
  }

  @Override
  protected QuizEdit edit(QuizContent content) {
    QuizAuthored part = part(content);
    return new QuizEdit(part.questions(), Optional.of(part.taking()));
  }

  @Override
  protected QuizContent checked(Place place, String body, QuizEdit edit) {
    boolean selfCheck = edit.taking().filter(WrittenTaking::selfCheck).isPresent();
    if (selfCheck && !place.tied().isEmpty())
      throw Problem.field("evidenceFor", "no-evidence-of-self-check");
    List<KeptQuestion> kept = new ArrayList<>();
    for (WrittenQuestion sent : edit.questions()) {
      Question question = questions.question(sent);
      check(place, kept.size() + 1, question);
      if (kept.stream().anyMatch(k -> k.id().equals(question.id())))
        throw Problem.field("questions", "question-id-twice", "n", (kept.size() + 1));
      kept.add(questions.keep(question));
    }
    return new QuizContent(body, kept, edit.taking().map(WrittenTaking::taking));
  }

  @Override
  protected ObjectNode now(ObjectNode kept) {
    return questions.now(kept);
  }

  private Quiz quiz(QuizContent content) {
    return questions.quiz(content.questions());
  }

  private static void check(Place place, int number, Question question) {
    if (!(question.points() >= 0 && question.points() <= Question.MOST_POINTS))
      throw Problem.field("questions", "question-points", "number", number);
    if (!question.outcome().map(o -> place.tied().contains(o)).orElse(true))
      throw Problem.field("questions", "question-outcome-untied", "number", number);
  }

  @Override
  protected QuizContent carried(QuizContent content, Carrying to) {
    return new QuizContent(
        to.text(content.body()),
        content.questions().stream()
            .map(q ->
                new KeptQuestion(
                    q.id(),
                    q.text(),
                    q.points(),
                    q.feedback(),
                    q.outcome().flatMap(to::outcome),
                    q.part()))
            .toList(),
        content.taken());
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return attempts.shown(walk, s);
  }

  @Override
  public Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return record.scored(s)
        ? Phrase.of("note.done.score", "share", Numbers.percent(record.score(s)), "day", day)
        : Phrase.of("note.done", "day", day);
  }

  @Override
  public QuizEdit written(DemoScript script) {
    return new QuizEdit(
        script.questions().stream().map(questions::written).toList(),
        script.taking().map(WrittenTaking::of));
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.passAttempts(step, ability);
  }

  @Override
  protected double points(QuizContent content, double sent) {
    return content.taking().selfCheck() ? 0 : quiz(content).points();
  }

  @Override
  protected List<Phrase> faults(String name, QuizContent content) {
    return QuizFaults.of(name, quiz(content), content.taking());
  }
}
