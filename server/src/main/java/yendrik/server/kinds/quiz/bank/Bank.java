package yendrik.server.kinds.quiz.bank;

import static yendrik.schema.Tables.OUTCOME;
import static yendrik.schema.Tables.PERSON;
import static yendrik.schema.Tables.QUESTION;
import static yendrik.schema.Tables.QUESTION_VERSION;
import static yendrik.schema.Tables.RUBRIC;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Step;
import yendrik.core.id.CourseId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Doubles;
import yendrik.core.quiz.Question;
import yendrik.formats.questions.QuestionText;
import yendrik.formats.questions.WrittenText;
import yendrik.schema.tables.records.QuestionRecord;
import yendrik.server.design.Carrying;
import yendrik.server.design.Designs;
import yendrik.server.design.Document;
import yendrik.server.design.DraftTables;
import yendrik.server.files.Files;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.kinds.quiz.bank.BankForms.BankEdit;
import yendrik.server.kinds.quiz.bank.BankForms.BankView;
import yendrik.server.kinds.quiz.bank.BankForms.LineFault;
import yendrik.server.kinds.quiz.bank.BankForms.ReadView;
import yendrik.server.kinds.quiz.bank.BankForms.ReadingView;
import yendrik.server.kinds.quiz.bank.BankForms.ShelfQuestion;
import yendrik.server.kinds.quiz.bank.BankForms.UseView;
import yendrik.server.kinds.quiz.bank.BankForms.VersionView;
import yendrik.server.kinds.quiz.bank.BankQuestions.Banked;
import yendrik.server.kinds.quiz.question.KeptQuestion;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.people.SignedIn;

/**
 * Questions that any quiz of a course can ask. A quiz asks them as they were when it was published;
 * what was changed since reaches learners with the next publication, and those who are in an
 * attempt not at all.
 */
@Service
@Transactional
public class Bank {
  private final DSLContext db;
  private final BankQuestions rows;
  private final DraftTables tables;
  private final Designs designs;
  private final Questions questions;
  private final Files files;
  private final FieldChanges changes;
  private final Institutions institutions;
  private final Clock clock;

  Bank(
      DSLContext db,
      BankQuestions rows,
      DraftTables tables,
      Designs designs,
      Questions questions,
      Files files,
      FieldChanges changes,
      Institutions institutions,
      Clock clock) {
    this.db = db;
    this.rows = rows;
    this.tables = tables;
    this.designs = designs;
    this.questions = questions;
    this.files = files;
    this.changes = changes;
    this.institutions = institutions;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public List<BankView> of(CourseId course) {
    List<Banked> all = rows.of(course);
    Uses uses = Uses.of(designs.draft(course));
    List<List<Integer>> doubles =
        Doubles.among(all.stream().map(b -> b.question().text()).toList());
    List<BankView> views = new ArrayList<>();
    for (int n = 0; n < all.size(); n++)
      views.add(
          view(
              all.get(n),
              uses,
              doubles.get(n).stream().map(other -> all.get(other).id()).toList()));
    return views;
  }

  private BankView view(Banked banked, Uses uses, List<QuestionId> doubles) {
    return new BankView(
        banked.id(),
        banked.version(),
        questions.written(banked.question()),
        banked.tags(),
        banked.difficulty(),
        uses.usedIn().getOrDefault(banked.id(), List.of()),
        uses.drawnIn().getOrDefault(banked.id(), List.of()),
        doubles);
  }

  private BankView view(CourseId course, QuestionId id) {
    return of(course).stream()
        .filter(view -> view.id().equals(id))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("question"));
  }

  /** Where a draft asks the questions of its course. */
  private record Uses(
      Map<QuestionId, List<UseView>> usedIn, Map<QuestionId, List<UseView>> drawnIn) {
    static Uses of(Document draft) {
      Map<QuestionId, List<UseView>> used = new HashMap<>();
      Map<QuestionId, List<UseView>> drawn = new HashMap<>();
      for (Step step : draft.design().steps().toList())
        if (draft.content(step.id()) instanceof AsksFromBank quiz) {
          var use = new UseView(step.id(), step.name());
          quiz.asked().forEach(id -> used.computeIfAbsent(id, _ -> new ArrayList<>()).add(use));
          quiz.drawn().forEach(id -> drawn.computeIfAbsent(id, _ -> new ArrayList<>()).add(use));
        }
      return new Uses(used, drawn);
    }
  }

  public BankView add(CourseId course, BankEdit edit) {
    return view(course, insert(course, edit));
  }

  /** Adds many, all of them or none. */
  List<BankView> addAll(CourseId course, List<BankEdit> edits) {
    List<QuestionId> ids = edits.stream().map(edit -> insert(course, edit)).toList();
    return of(course).stream().filter(view -> ids.contains(view.id())).toList();
  }

  public QuestionId insert(CourseId course, BankEdit edit) {
    return tables.questions().add(course, columns(course, edit));
  }

  private QuestionRecord columns(CourseId course, BankEdit edit) {
    Question question = questions.question(edit.question());
    if (!(question.points() >= 0 && question.points() <= Question.MOST_POINTS))
      throw Problem.field("question", "question-points", "number", 1);
    if (!question.outcome().map(o -> has(course, o)).orElse(true))
      throw Problem.field("question", "no-such-outcome");
    if (!question.asked().rubric().map(r -> has(course, r)).orElse(true))
      throw Problem.field("question", "no-such-rubric");
    QuestionRecord row = tables.questions().fresh();
    row.setContent(BankQuestions.keep(questions.keep(question)));
    row.setTags(tags(edit.tags()));
    row.setDifficulty(edit.difficulty().orElse(null));
    return row;
  }

  private boolean has(CourseId course, OutcomeId outcome) {
    return db.fetchExists(
        OUTCOME, OUTCOME.COURSE_ID.eq(course), OUTCOME.ID.eq(outcome), OUTCOME.DELETED_AT.isNull());
  }

  private boolean has(CourseId course, RubricId rubric) {
    return db.fetchExists(
        RUBRIC, RUBRIC.COURSE_ID.eq(course), RUBRIC.ID.eq(rubric), RUBRIC.DELETED_AT.isNull());
  }

  /** Tags as they are kept: each once, however large its letters, as it was written first. */
  static List<String> tags(List<String> sent) {
    Map<String, String> tags = new TreeMap<>();
    for (String tag : sent) {
      String plain = tag.strip().replaceAll("\\s+", " ");
      if (!plain.isEmpty()) tags.putIfAbsent(plain.toLowerCase(Locale.ROOT), plain);
    }
    return List.copyOf(tags.values());
  }

  /** What is understood of a text; nothing is kept. */
  @Transactional(readOnly = true)
  ReadingView reading(String text) {
    QuestionText.Reading reading = QuestionText.read(text);
    return new ReadingView(
        reading.questions().stream()
            .map(r ->
                new ReadView(r.line(), questions.written(r.question()), r.tags(), r.difficulty()))
            .toList(),
        reading.faults().stream()
            .map(f -> new LineFault(f.line(), institutions.say(f.says())))
            .toList());
  }

  /** All questions of a course as plain text. */
  @Transactional(readOnly = true)
  String text(CourseId course) {
    return WrittenText.of(
        rows.of(course).stream()
            .map(b ->
                new QuestionText.Read(
                    1, questions.question(b.question()), b.tags(), b.difficulty()))
            .toList());
  }

  /** Changes some fields; a 409 carries what it is now. What it asked until then is kept. */
  BankView change(CourseId course, QuestionId id, FieldsEdit fields, SignedIn by) {
    QuestionRecord before = tables.questions().locked(course, id);
    var edit = changes.apply(edit(before), fields, () -> view(course, id));
    QuestionRecord now = columns(course, edit);
    if (!now.getContent().equals(before.getContent())) keep(before, by);
    if (!tables.questions().change(course, id, before.getVersion(), now))
      throw Problem.changed(view(course, id));
    return view(course, id);
  }

  private void keep(QuestionRecord before, SignedIn by) {
    db.insertInto(QUESTION_VERSION)
        .set(QUESTION_VERSION.QUESTION_ID, before.getId())
        .set(QUESTION_VERSION.NUMBER, before.getVersion())
        .set(QUESTION_VERSION.CONTENT, before.getContent())
        .set(QUESTION_VERSION.CHANGED_BY, by.id())
        .set(QUESTION_VERSION.CHANGED_AT, clock.instant())
        .execute();
  }

  private BankEdit edit(QuestionRecord row) {
    Banked banked = Banked.of(row);
    return new BankEdit(questions.written(banked.question()), banked.tags(), banked.difficulty());
  }

  /** What a question asked before, the newest first. */
  @Transactional(readOnly = true)
  List<VersionView> versions(CourseId course, QuestionId id) {
    tables.questions().one(course, id);
    return db.select(QUESTION_VERSION.NUMBER, QUESTION_VERSION.CONTENT, PERSON.NAME)
        .select(QUESTION_VERSION.CHANGED_AT)
        .from(QUESTION_VERSION)
        .join(PERSON)
        .on(PERSON.ID.eq(QUESTION_VERSION.CHANGED_BY))
        .where(QUESTION_VERSION.QUESTION_ID.eq(id))
        .orderBy(QUESTION_VERSION.NUMBER.desc())
        .fetch(r ->
            new VersionView(
                r.get(QUESTION_VERSION.NUMBER),
                questions.written(BankQuestions.read(r.get(QUESTION_VERSION.CONTENT)).of(id)),
                r.get(PERSON.NAME),
                r.get(QUESTION_VERSION.CHANGED_AT)));
  }

  // --- the shelf --------------------------------------------------------------------------------
  @Transactional(readOnly = true)
  List<ShelfQuestion> shelf(SignedIn person) {
    return db.select()
        .from(QUESTION)
        .join(PERSON)
        .on(PERSON.ID.eq(QUESTION.SHELVED_BY))
        .where(QUESTION.COURSE_ID.isNull(), QUESTION.DELETED_AT.isNull())
        .orderBy(QUESTION.ID.desc())
        .fetch(r -> {
          QuestionRecord row = r.into(QUESTION);
          Banked banked = Banked.of(row);
          return new ShelfQuestion(
              banked.id(),
              questions.written(banked.question()),
              banked.tags(),
              banked.difficulty(),
              r.get(PERSON.NAME),
              row.getShelvedAt(),
              mayRemove(row, person));
        });
  }

  private static boolean mayRemove(QuestionRecord row, SignedIn person) {
    return person.administrator() || person.id().equals(row.getShelvedBy());
  }

  /** Copies a course's question to the shelf. */
  void shelve(CourseId course, QuestionId id, SignedIn person) {
    QuestionRecord row = tables.questions().one(course, id);
    db.insertInto(QUESTION)
        .set(QUESTION.CONTENT, row.getContent())
        .set(QUESTION.TAGS, row.getTags())
        .set(QUESTION.DIFFICULTY, row.getDifficulty())
        .set(QUESTION.SHELVED_FROM, course)
        .set(QUESTION.SHELVED_BY, person.id())
        .set(QUESTION.SHELVED_AT, clock.instant())
        .execute();
  }

  private QuestionRecord onShelf(QuestionId id) {
    return db.selectFrom(QUESTION)
        .where(QUESTION.ID.eq(id), QUESTION.COURSE_ID.isNull(), QUESTION.DELETED_AT.isNull())
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound("question on the shelf"));
  }

  /** Copies a question from the shelf into a course, with its pictures. */
  BankView take(CourseId course, QuestionId id) {
    QuestionRecord row = onShelf(id);
    KeptQuestion question =
        BankQuestions.read(row.getContent())
            .carried(new FromShelf(Optional.ofNullable(row.getShelvedFrom()), course));
    QuestionRecord copy = tables.questions().fresh();
    copy.setContent(BankQuestions.keep(question));
    copy.setTags(row.getTags());
    copy.setDifficulty(row.getDifficulty());
    return view(course, tables.questions().add(course, copy));
  }

  /**
   * What a question of the shelf finds in a course: an outcome is known by its code, a rubric by
   * its name.
   */
  private final class FromShelf implements Carrying {
    private final Optional<CourseId> from;
    private final CourseId to;

    FromShelf(Optional<CourseId> from, CourseId to) {
      this.from = from;
      this.to = to;
    }

    @Override
    public Optional<Long> file(long file) {
      return from.flatMap(course -> files.copy(course, file, to)).map(Files.Kept::id);
    }

    @Override
    public Optional<OutcomeId> outcome(OutcomeId outcome) {
      return db.select(OUTCOME.CODE)
          .from(OUTCOME)
          .where(OUTCOME.ID.eq(outcome))
          .fetchOptional(OUTCOME.CODE)
          .flatMap(code ->
              db.select(OUTCOME.ID)
                  .from(OUTCOME)
                  .where(
                      OUTCOME.COURSE_ID.eq(to), OUTCOME.CODE.eq(code), OUTCOME.DELETED_AT.isNull())
                  .orderBy(OUTCOME.ID)
                  .limit(1)
                  .fetchOptional(OUTCOME.ID));
    }

    @Override
    public Optional<RubricId> rubric(RubricId rubric) {
      var wanted = RUBRIC.as("wanted");
      return db.select(RUBRIC.ID)
          .from(RUBRIC)
          .join(wanted)
          .on(wanted.NAME.eq(RUBRIC.NAME))
          .where(wanted.ID.eq(rubric), RUBRIC.COURSE_ID.eq(to), RUBRIC.DELETED_AT.isNull())
          .orderBy(RUBRIC.ID)
          .limit(1)
          .fetchOptional(RUBRIC.ID);
    }
  }

  /** Takes a question from the shelf; courses that copied it keep their copies. */
  void unshelve(QuestionId id, SignedIn person) {
    if (!mayRemove(onShelf(id), person)) throw Problem.forbidden("not-yours-on-shelf");
    db.update(QUESTION)
        .set(QUESTION.DELETED_AT, clock.instant())
        .where(QUESTION.ID.eq(id))
        .execute();
  }
}
