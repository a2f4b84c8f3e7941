package yendrik.server.kinds.quiz.question;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Quiz;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.ByKind;
import yendrik.server.http.Problem;

/** Questions of every kind, between how they are kept, core, and what is sent. */
@Component
public class Questions extends ByKind<QuestionKind, QuestionRoom<?, ?, ?, ?, ?>> {
  private static final JsonMapper MAPPER = CoreJson.mapper();
  private static final String IS = "is";

  Questions(ObjectProvider<QuestionRoom<?, ?, ?, ?, ?>> rooms) {
    super(QuestionKind.class, rooms, QuestionRoom::kind);
  }

  /** Brings the content of a quiz into the present form. */
  public ObjectNode now(ObjectNode content) {
    for (JsonNode question : content.path("questions")) KeptQuestion.now((ObjectNode) question);
    return content;
  }

  /** What is kept, as a quiz. */
  public Quiz quiz(List<KeptQuestion> kept) {
    return new Quiz(kept.stream().map(this::question).toList());
  }

  private Question question(KeptQuestion kept) {
    QuestionRoom<?, ?, ?, ?, ?> room = of(QuestionKind.of(kept.part().path(IS).asString()));
    return new Question(
        kept.id(),
        kept.text(),
        kept.points(),
        kept.feedback(),
        kept.outcome(),
        room.question(kept.part()));
  }

  /** A question as it is kept. */
  public KeptQuestion keep(Question q) {
    ObjectNode part = keep(of(q), q);
    part.put(IS, q.asked().kind().stored());
    return new KeptQuestion(q.id(), q.text(), q.points(), q.feedback(), q.outcome(), part);
  }

  private static <Q extends Asked<?>> ObjectNode keep(
      QuestionRoom<Q, ?, ?, ?, ?> room, Question question) {
    return room.keep(room.asked().cast(question.asked()));
  }

  /** A question as its author wrote it. */
  public WrittenQuestion written(Question q) {
    return new WrittenQuestion(
        q.id(), q.text(), q.points(), q.feedback(), q.outcome(), written(of(q), q));
  }

  private static <Q extends Asked<?>> WrittenPart written(
      QuestionRoom<Q, ?, ?, ?, ?> room, Question question) {
    return room.written(room.asked().cast(question.asked()));
  }

  /**
   * A question that an author sent.
   *
   * @throws Problem naming what is not right
   */
  public Question question(WrittenQuestion sent) {
    Asked<?> asked =
        all()
            .filter(room -> room.written().isInstance(sent.part()))
            .findFirst()
            .map(room -> question(room, sent.part()))
            .orElseThrow(() -> Problem.field("questions", "no-such-kind-of-question"));
    return new Question(
        sent.id(), sent.text(), sent.points(), sent.feedback(), sent.outcome(), asked);
  }

  private static <W extends WrittenPart> Asked<?> question(
      QuestionRoom<?, ?, W, ?, ?> room, WrittenPart sent) {
    return room.question(room.written().cast(sent));
  }

  /** A question as a learner is asked it in an attempt. */
  public AskedQuestion ask(Question q, Dealt dealt) {
    return new AskedQuestion(q.id(), q.text(), q.points(), ask(of(q), q, dealt));
  }

  private static <Q extends Asked<?>> AskedPart ask(
      QuestionRoom<Q, ?, ?, ?, ?> room, Question q, Dealt dealt) {
    return room.ask(room.asked().cast(q.asked()), dealt.of(q.id()));
  }

  /** What a learner answered; what was not asked is left out. */
  public Map<String, Answer> answers(Quiz quiz, Dealt dealt, Map<String, GivenAnswer> sent) {
    Map<String, Answer> answers = new HashMap<>();
    for (Question q : quiz.questions())
      Optional.ofNullable(sent.get(q.id()))
          .flatMap(given -> answer(of(q), q, dealt, given))
          .ifPresent(answer -> answers.put(q.id(), answer));
    return answers;
  }

  private static <Q extends Asked<A>, A extends Answer, G extends GivenAnswer>
      Optional<? extends Answer> answer(
          QuestionRoom<Q, A, ?, ?, G> room, Question q, Dealt dealt, GivenAnswer given) {
    if (!room.given().isInstance(given)) return Optional.empty();
    return room.answer(room.asked().cast(q.asked()), dealt.of(q.id()), room.given().cast(given));
  }

  /** Answers as the learner gave them. */
  public Map<String, GivenAnswer> given(Quiz quiz, Dealt dealt, Map<String, Answer> answers) {
    Map<String, GivenAnswer> given = new HashMap<>();
    for (Question q : quiz.questions())
      Optional.ofNullable(answers.get(q.id()))
          .flatMap(answer -> given(of(q), q, dealt, answer))
          .ifPresent(sent -> given.put(q.id(), sent));
    return given;
  }

  private static <Q extends Asked<A>, A extends Answer> Optional<? extends GivenAnswer> given(
      QuestionRoom<Q, A, ?, ?, ?> room, Question q, Dealt dealt, Answer answer) {
    if (!room.answer().isInstance(answer)) return Optional.empty();
    return room.given(room.asked().cast(q.asked()), dealt.of(q.id()), room.answer().cast(answer));
  }

  /** What was answered to a question, in words. */
  public ReviewedPart review(Question q, Optional<Answer> answer, boolean told) {
    return review(of(q), q, answer, told);
  }

  private static <Q extends Asked<A>, A extends Answer> ReviewedPart review(
      QuestionRoom<Q, A, ?, ?, ?> room, Question q, Optional<Answer> answer, boolean told) {
    return room.review(
        room.asked().cast(q.asked()),
        answer.filter(room.answer()::isInstance).map(room.answer()::cast),
        told);
  }

  /** What somebody of the demo answers. */
  public GivenAnswer rehearsed(Question q, AskedPart part, boolean right) {
    return rehearsed(of(q), q, part, right);
  }

  private static <Q extends Asked<?>, P extends AskedPart> GivenAnswer rehearsed(
      QuestionRoom<Q, ?, ?, P, ?> room, Question q, AskedPart part, boolean right) {
    return room.rehearsed(room.asked().cast(q.asked()), room.part().cast(part), right);
  }

  /** Answers as they are kept. */
  public JSONB keep(Quiz quiz, Map<String, Answer> answers) {
    ObjectNode kept = MAPPER.createObjectNode();
    for (Question q : quiz.questions())
      Optional.ofNullable(answers.get(q.id()))
          .ifPresent(a -> kept.set(q.id(), keep(of(q), a).put(IS, q.asked().kind().stored())));
    return JSONB.valueOf(kept.toString());
  }

  private static <A extends Answer> ObjectNode keep(
      QuestionRoom<?, A, ?, ?, ?> room, Answer answer) {
    return room.keep(room.answer().cast(answer));
  }

  /** Reads answers as they are kept, in whatever form that was. */
  public Map<String, Answer> answers(@Nullable JSONB kept) {
    Map<String, Answer> answers = new HashMap<>();
    if (kept == null) return answers;
    MAPPER
        .readTree(kept.data())
        .properties()
        .forEach(e -> answers.put(e.getKey(), answer(now(e.getValue()))));
    return answers;
  }

  /** Once there were choices only. */
  private static ObjectNode now(JsonNode answer) {
    return answer instanceof StringNode choice
        ? MAPPER.createObjectNode().put(IS, "choice").put("choice", choice.asString())
        : (ObjectNode) answer;
  }

  private Answer answer(ObjectNode kept) {
    return of(QuestionKind.of(kept.path(IS).asString())).answer(kept);
  }

  private QuestionRoom<?, ?, ?, ?, ?> of(Question question) {
    return of(question.asked().kind());
  }
}
