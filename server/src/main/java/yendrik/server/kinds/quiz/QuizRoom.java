package yendrik.server.kinds.quiz;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Asking;
import yendrik.core.quiz.Question;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.http.Problem;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.kinds.quiz.bank.BankQuestions;
import yendrik.server.kinds.quiz.bank.BankQuestions.Banked;
import yendrik.server.kinds.quiz.question.KeptDraw;
import yendrik.server.kinds.quiz.question.KeptQuestion;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.kinds.quiz.question.WrittenDraw;
import yendrik.server.kinds.quiz.question.WrittenQuestion;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** Questions that are marked at once. */
@Component
class QuizRoom extends StepRoom<QuizContent, QuizAuthored, QuizEdit> {
  private final Attempts attempts;
  private final Questions questions;
  private final BankQuestions bank;

  QuizRoom(Attempts attempts, Questions questions, BankQuestions bank) {
    super(StepKind.QUIZ, QuizContent.class, QuizAuthored.class, QuizEdit.class);
    this.attempts = attempts;
    this.questions = questions;
    this.bank = bank;
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return QuizShown.class;
  }

  @Override
  protected QuizContent fresh() {
    return new QuizContent("", List.of(), List.of(), Optional.empty());
  }

  @Override
  protected QuizAuthored part(QuizContent content) {
    return new QuizAuthored(
        content.questions().stream().map(questions::written).toList(),
        content.draws().stream().map(WrittenDraw::of).toList(),
        WrittenTaking.of(content.taking()));
  }

  @Override
  protected QuizEdit edit(QuizContent content) {
    QuizAuthored part = part(content);
    return new QuizEdit(part.questions(), Optional.of(part.draws()), Optional.of(part.taking()));
  }

  @Override
  protected QuizContent checked(Place place, String body, QuizEdit edit) {
    boolean selfCheck = edit.taking().filter(WrittenTaking::selfCheck).isPresent();
    if (selfCheck && !place.tied().isEmpty())
      throw Problem.field("evidenceFor", "no-evidence-of-self-check");
    List<KeptQuestion> kept = new ArrayList<>();
    Map<QuestionId, KeptQuestion> inCourse = bank.some(place.course(), taken(edit));
    for (WrittenQuestion sent : edit.questions()) {
      Question question = questions.question(sent);
      check(place, kept.size() + 1, question);
      KeptQuestion own = questions.keep(question);
      KeptQuestion next =
          sent.bank()
              .flatMap(id -> Optional.ofNullable(inCourse.get(id)).map(q -> own.of(id).now(q)))
              .orElse(own);
      if (kept.stream().anyMatch(k -> k.id().equals(next.id())))
        throw Problem.field("questions", "question-id-twice", "n", (kept.size() + 1));
      kept.add(next);
    }
    List<KeptDraw> draws = edit.draws().orElse(List.of()).stream().map(WrittenDraw::kept).toList();
    return new QuizContent(body, kept, draws, edit.taking().map(WrittenTaking::taking));
  }

  @Override
  protected ObjectNode now(ObjectNode kept) {
    return questions.now(kept);
  }

  private static List<QuestionId> taken(QuizEdit edit) {
    return edit.questions().stream().flatMap(sent -> sent.bank().stream()).toList();
  }

  @Override
  protected Map<StepId, QuizContent> whole(CourseId course, Map<StepId, QuizContent> contents) {
    if (contents.values().stream().noneMatch(QuizContent::takesFromCourse)) return contents;
    List<Banked> all = bank.of(course);
    Map<StepId, QuizContent> whole = new HashMap<>();
    contents.forEach((step, content) -> whole.put(step, content.whole(all)));
    return whole;
  }

  private Asking asking(QuizContent content) {
    return questions.asking(content.questions(), content.draws());
  }

  private static void check(Place place, int number, Question question) {
    if (!(question.points() >= 0 && question.points() <= Question.MOST_POINTS))
      throw Problem.field("questions", "question-points", "number", number);
    if (!question.asked().rubric().map(r -> place.rubrics().contains(r)).orElse(true))
      throw Problem.field("questions", "question-rubric-gone", "number", number);
    if (!question.outcome().map(o -> place.tied().contains(o)).orElse(true))
      throw Problem.field("questions", "question-outcome-untied", "number", number);
  }

  @Override
  protected QuizContent carried(QuizContent content, Carrying to) {
    return new QuizContent(
        to.text(content.body()),
        content.questions().stream().map(q -> q.carried(to)).toList(),
        content.draws().stream().map(d -> d.carried(to)).toList(),
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
        Optional.of(
            script.draws().stream()
                .map(d ->
                    new WrittenDraw(
                        "d-" + d.tag(), List.of(d.tag()), Optional.empty(), d.count(), 1))
                .toList()),
        script.taking().map(WrittenTaking::of));
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.passAttempts(step, ability);
  }

  @Override
  protected double points(QuizContent content, double sent) {
    return content.taking().selfCheck() ? 0 : content.points();
  }

  @Override
  protected List<Phrase> faults(String name, QuizContent content) {
    return QuizFaults.of(name, asking(content), content.taking());
  }
}
