package yendrik.server.kinds.quiz.bank;

import static yendrik.schema.Tables.QUESTION;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.QuestionId;
import yendrik.core.id.RubricId;
import yendrik.core.quiz.Difficulty;
import yendrik.formats.json.CoreJson;
import yendrik.schema.tables.records.QuestionRecord;
import yendrik.server.design.Carrying;
import yendrik.server.design.CopiesQuestions;
import yendrik.server.design.UsesFiles;
import yendrik.server.design.UsesRubrics;
import yendrik.server.kinds.quiz.question.KeptQuestion;

/** The questions of courses as they are kept. */
@Component
public class BankQuestions implements UsesFiles, UsesRubrics, CopiesQuestions {
  private final DSLContext db;

  BankQuestions(DSLContext db) {
    this.db = db;
  }

  /**
   * A question of a course.
   *
   * @param question as a quiz asks it
   */
  public record Banked(
      QuestionId id,
      int version,
      KeptQuestion question,
      List<String> tags,
      Optional<Difficulty> difficulty) {
    static Banked of(QuestionRecord row) {
      return new Banked(
          row.getId(),
          row.getVersion(),
          read(row.getContent()).of(row.getId()),
          row.getTags(),
          Optional.ofNullable(row.getDifficulty()));
    }
  }

  static KeptQuestion read(JSONB content) {
    var kept = (ObjectNode) CoreJson.mapper().readTree(content.data());
    return CoreJson.mapper().treeToValue(KeptQuestion.now(kept), KeptQuestion.class);
  }

  static JSONB keep(KeptQuestion question) {
    return JSONB.valueOf(CoreJson.mapper().writeValueAsString(question));
  }

  /** All of a course, in the order in which they were added. */
  public List<Banked> of(CourseId course) {
    return db.selectFrom(QUESTION)
        .where(QUESTION.COURSE_ID.eq(course), QUESTION.DELETED_AT.isNull())
        .orderBy(QUESTION.ID)
        .fetch(Banked::of);
  }

  /** Some of a course; those that it has not are not in it. */
  public Map<QuestionId, KeptQuestion> some(CourseId course, Collection<QuestionId> ids) {
    Map<QuestionId, KeptQuestion> some = new HashMap<>();
    if (ids.isEmpty()) return some;
    db.selectFrom(QUESTION)
        .where(QUESTION.COURSE_ID.eq(course), QUESTION.ID.in(ids), QUESTION.DELETED_AT.isNull())
        .forEach(row -> some.put(row.getId(), Banked.of(row).question()));
    return some;
  }

  @Override
  public Set<Long> files(CourseId course) {
    Set<Long> files = new HashSet<>();
    db.selectFrom(QUESTION)
        .where(QUESTION.COURSE_ID.eq(course).or(QUESTION.SHELVED_FROM.eq(course)))
        .forEach(row -> files.addAll(read(row.getContent()).files()));
    return files;
  }

  @Override
  public List<String> using(CourseId course, RubricId rubric) {
    return of(course).stream()
        .map(Banked::question)
        .filter(q -> q.rubric().equals(Optional.of(rubric)))
        .map(KeptQuestion::text)
        .toList();
  }

  @Override
  public List<QuestionId> all(CourseId course) {
    return of(course).stream().map(Banked::id).toList();
  }

  @Override
  public Optional<QuestionId> copy(
      CourseId from, QuestionId question, CourseId to, Carrying carrying) {
    return db.selectFrom(QUESTION)
        .where(QUESTION.COURSE_ID.eq(from), QUESTION.ID.eq(question))
        .fetchOptional()
        .map(row -> {
          QuestionRecord copy = db.newRecord(QUESTION);
          copy.setCourseId(to);
          copy.setContent(keep(read(row.getContent()).carried(carrying)));
          copy.setTags(row.getTags());
          copy.setDifficulty(row.getDifficulty());
          return db.insertInto(QUESTION).set(copy).returning(QUESTION.ID).fetchSingle(QUESTION.ID);
        });
  }
}
