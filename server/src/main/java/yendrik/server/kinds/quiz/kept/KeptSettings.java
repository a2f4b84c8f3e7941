package yendrik.server.kinds.quiz.kept;

import static yendrik.schema.Tables.QUIZ_SETTINGS;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.Counts;
import yendrik.core.id.PersonId;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.kinds.quiz.WrittenTaking;

/** Sets of settings; everybody has their own, in all courses that they plan. */
@Service
@Transactional
class KeptSettings {
  /** How many one person keeps. */
  private static final int MOST = 50;

  private final DSLContext db;

  KeptSettings(DSLContext db) {
    this.db = db;
  }

  /**
   * A set of settings. The word that is said in the room is the quiz's own and never kept.
   *
   * @param name its person's own; kept again under the same name, a set takes the other's place
   */
  record QuizSettings(
      @NotBlank @Size(max = 60) @PlainText String name,
      @NotNull @Valid WrittenTaking taking,
      @Min(0) @Max(1000) int attempts,
      @NotNull Counts counts,
      @DecimalMin("0") @DecimalMax("1") double passMark) {}

  @Transactional(readOnly = true)
  List<QuizSettings> of(PersonId person) {
    return db.selectFrom(QUIZ_SETTINGS)
        .where(QUIZ_SETTINGS.PERSON_ID.eq(person))
        .orderBy(QUIZ_SETTINGS.NAME)
        .fetch(row ->
            new QuizSettings(
                row.getName(),
                WrittenTaking.of(row.getTaking()),
                row.getAttempts(),
                row.getCounts(),
                row.getPassMark()));
  }

  void keep(PersonId person, QuizSettings sent) {
    String name = sent.name().strip();
    List<QuizSettings> before = of(person);
    boolean another = before.stream().noneMatch(kept -> kept.name().equals(name));
    if (another && before.size() >= MOST) throw Problem.field("name", "settings-enough", "n", MOST);
    var row = db.newRecord(QUIZ_SETTINGS);
    row.setPersonId(person);
    row.setName(name);
    row.setTaking(sent.taking().taking().saying(""));
    row.setAttempts(sent.attempts());
    row.setCounts(sent.counts());
    row.setPassMark(sent.passMark());
    db.insertInto(QUIZ_SETTINGS).set(row).onDuplicateKeyUpdate().set(row).execute();
  }

  void remove(PersonId person, String name) {
    int gone =
        db.deleteFrom(QUIZ_SETTINGS)
            .where(QUIZ_SETTINGS.PERSON_ID.eq(person), QUIZ_SETTINGS.NAME.eq(name))
            .execute();
    if (gone == 0) throw Problem.notFound("set of settings");
  }
}
