package yendrik.server.kinds.quiz.question;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.JSON;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;
import yendrik.core.id.QuestionId;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Asking;
import yendrik.core.quiz.Draw;
import yendrik.core.quiz.Hint;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.QuestionKind;
import yendrik.core.quiz.Quiz;
import yendrik.core.quiz.Shown;
import yendrik.core.words.Phrase;
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
    if (!content.has("draws")) content.putArray("draws");
    for (JsonNode draw : content.path("draws"))
      for (JsonNode question : draw.path("pool")) KeptQuestion.now((ObjectNode) question);
    return content;
  }

  /** What is kept, as what a quiz asks. */
  public Asking asking(List<KeptQuestion> kept, List<KeptDraw> draws) {
    return new Asking(
        kept.stream().map(this::question).toList(),
        draws.stream()
            .map(d ->
                new Draw(
                    d.id(), d.count(), d.points(), d.pool().stream().map(this::question).toList()))
            .toList());
  }

  /** What is kept, as a question. */
  public Question question(KeptQuestion kept) {
    QuestionRoom<?, ?, ?, ?, ?> room = of(QuestionKind.of(kept.part().path(IS).asString()));
    return new Question(
        kept.id(),
        new Shown(kept.text(), kept.formatted()),
        kept.points(),
        kept.feedback(),
        kept.hints().stream().map(h -> new Hint(h.text(), h.cost())).toList(),
        kept.outcome(),
        room.question(kept.part()));
  }

  /** A question as it is kept. */
  public KeptQuestion keep(Question q) {
    ObjectNode part = keep(of(q), q);
    part.put(IS, q.asked().kind().stored());
    return new KeptQuestion(
        q.id(),
        q.text(),
        q.shown().formatted(),
        q.points(),
        q.feedback(),
        q.hints().stream().map(h -> new KeptQuestion.KeptHint(h.text(), h.cost())).toList(),
        q.outcome(),
        Optional.empty(),
        part);
  }

  private static <Q extends Asked<?>> ObjectNode keep(
      QuestionRoom<Q, ?, ?, ?, ?> room, Question question) {
    return room.keep(room.asked().cast(question.asked()));
  }

  /** A question as its author wrote it. */
  public WrittenQuestion written(KeptQuestion kept) {
    return written(question(kept), kept.bank());
  }

  /** A question as its author wrote it. */
  public WrittenQuestion written(Question q) {
    return written(q, Optional.empty());
  }

  private WrittenQuestion written(Question q, Optional<QuestionId> bank) {
    return new WrittenQuestion(
        q.id(),
        q.text(),
        q.shown().formatted(),
        q.points(),
        q.feedback(),
        Optional.of(q.hints().stream().map(WrittenHint::of).toList()),
        q.outcome(),
        bank,
        written(of(q), q));
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
        sent.id(),
        WrittenShown.of(sent.text(), sent.formatted()),
        sent.points(),
        sent.feedback(),
        sent.hints().orElse(List.of()).stream().map(WrittenHint::hint).toList(),
        sent.outcome(),
        asked);
  }

  private static <W extends WrittenPart> Asked<?> question(
      QuestionRoom<?, ?, W, ?, ?> room, WrittenPart sent) {
    return room.question(room.written().cast(sent));
  }

  /**
   * A question as a learner is asked it in an attempt.
   *
   * @param hintsTaken how many hints were asked for
   */
  public AskedQuestion ask(Question q, Dealt dealt, int hintsTaken) {
    return new AskedQuestion(
        q.id(),
        q.text(),
        q.shown().formatted(),
        q.points(),
        ask(of(q), q, dealt),
        q.hints().stream().limit(hintsTaken).map(WrittenHint::of).toList(),
        q.hints().stream().skip(hintsTaken).findFirst().map(Hint::cost));
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
  public ReviewedPart review(Question q, Optional<Answer> answer, Telling telling) {
    return review(of(q), q, answer, telling);
  }

  private static <Q extends Asked<A>, A extends Answer> ReviewedPart review(
      QuestionRoom<Q, A, ?, ?, ?> room, Question q, Optional<Answer> answer, Telling telling) {
    return room.review(
        room.asked().cast(q.asked()),
        answer.filter(room.answer()::isInstance).map(room.answer()::cast),
        telling);
  }

  /** What was answered to a question, piece by piece, so that answers can be counted. */
  public List<Phrase> said(Question q, Answer answer) {
    return said(of(q), q, answer);
  }

  private static <Q extends Asked<A>, A extends Answer> List<Phrase> said(
      QuestionRoom<Q, A, ?, ?, ?> room, Question q, Answer answer) {
    if (!room.answer().isInstance(answer)) return List.of();
    return room.said(room.asked().cast(q.asked()), room.answer().cast(answer));
  }

  /** What a question asks, as it is kept, with its kind. */
  public ObjectNode part(Question q) {
    return keep(q).part();
  }

  /** What a question asks, from what was kept of it. */
  public Asked<?> asked(ObjectNode part) {
    return of(QuestionKind.of(part.path(IS).asString())).question(part);
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
  public JSON keep(Quiz quiz, Map<String, Answer> answers) {
    ObjectNode kept = MAPPER.createObjectNode();
    for (Question q : quiz.questions())
      Optional.ofNullable(answers.get(q.id()))
          .ifPresent(a -> kept.set(q.id(), keep(of(q), a).put(IS, q.asked().kind().stored())));
    return JSON.valueOf(kept.toString());
  }

  private static <A extends Answer> ObjectNode keep(
      QuestionRoom<?, A, ?, ?, ?> room, Answer answer) {
    return room.keep(room.answer().cast(answer));
  }

  /** Reads answers as they are kept, in whatever form that was. */
  public Map<String, Answer> answers(@Nullable JSON kept) {
    Map<String, Answer> answers = new HashMap<>();
    if (kept == null) return answers;
    MAPPER
        .readTree(kept.data())
        .properties()
        .forEach(e -> answers.put(e.getKey(), answer(now(e.getValue()))));
    return answers;
  }

  /** One answer from what is kept of it, see {@link KeptLines#answers}. */
  public Answer answer(String kept) {
    return answer(now(MAPPER.readTree(kept)));
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
