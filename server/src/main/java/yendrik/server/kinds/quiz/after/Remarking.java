package yendrik.server.kinds.quiz.after;

import static yendrik.schema.Tables.ATTEMPT;
import static yendrik.schema.Tables.ENROLMENT;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.quiz.Answer;
import yendrik.core.quiz.Quiz;
import yendrik.schema.tables.records.AttemptRecord;
import yendrik.server.design.Designs;
import yendrik.server.kinds.quiz.Attempts;
import yendrik.server.kinds.quiz.Running;
import yendrik.server.kinds.quiz.correction.CorrectionRows;
import yendrik.server.kinds.quiz.question.KeptResult;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.rounds.OwnThread;
import yendrik.server.rounds.Timed;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/**
 * Marks attempts anew after corrections, learner by learner, each in a transaction of its own. What
 * is left when a server stops is taken up again; marked twice, nothing changes.
 */
@Component
public class Remarking {
  private static final Logger LOG = LoggerFactory.getLogger(Remarking.class);
  private final DSLContext db;
  private final Walks walks;
  private final Designs designs;
  private final Questions questions;
  private final CorrectionRows corrections;

  Remarking(
      DSLContext db,
      Walks walks,
      Designs designs,
      Questions questions,
      CorrectionRows corrections) {
    this.db = db;
    this.walks = walks;
    this.designs = designs;
    this.questions = questions;
    this.corrections = corrections;
  }

  /** An attempt as it was marked and as it would be. */
  record Anew(Running attempt, Quiz.Result before, Quiz.Result after) {
    boolean changes() {
      return !after.equals(before);
    }

    Added added() {
      return Added.inPlaceOf(attempt.finishedFact(), Attempts.finished(attempt, after));
    }
  }

  /**
   * The finished attempts of a learner at a step, as corrections would have them.
   *
   * @param rows of one learner
   */
  List<Anew> anew(Walk walk, List<AttemptRecord> rows, CorrectionRows.OfStep all) {
    List<Anew> anew = new ArrayList<>();
    for (AttemptRecord row : rows) {
      Running attempt =
          Running.of(walk, row, designs, questions).corrected(all.under(row.getDesignVersion()));
      Map<String, Answer> kept = questions.answers(row.getAnswers());
      Map<String, Answer> counting = attempt.finishedByClock() ? attempt.counting(kept) : kept;
      Quiz.Result before = KeptResult.read(row.getResult());
      anew.add(
          new Anew(attempt, before, attempt.quiz().markAgain(before, counting, attempt.hints())));
    }
    return anew;
  }

  /**
   * Enrolments of real learners who have begun an attempt at a step. Those whose attempt goes on
   * are among them: it may be handed in while a correction is made, before that can be seen.
   */
  List<EnrolmentId> learners(StepId step) {
    return db.selectDistinct(ATTEMPT.ENROLMENT_ID)
        .from(ATTEMPT)
        .join(ENROLMENT)
        .on(ENROLMENT.ID.eq(ATTEMPT.ENROLMENT_ID))
        .where(ATTEMPT.STEP_ID.eq(step), ENROLMENT.PRACTICE.isFalse())
        .orderBy(ATTEMPT.ENROLMENT_ID)
        .fetch(ATTEMPT.ENROLMENT_ID);
  }

  /** Marks anew whatever corrections have not been marked by yet, also those of another server. */
  public void all() {
    corrections.toMark().forEach(this::mark);
  }

  private void mark(CorrectionRows.ToMark to) {
    boolean whole = true;
    for (EnrolmentId enrolment : learners(to.step())) whole &= mark(enrolment, to.step(), to.by());
    if (whole) corrections.marked(to);
  }

  private boolean mark(EnrolmentId enrolment, StepId step, PersonId by) {
    try {
      walks.change(enrolment, Optional.of(by), walk -> change(walk, step));
      return true;
    } catch (RuntimeException e) {
      LOG.error("attempts of {} at {} could not be marked anew", enrolment, step, e);
      return false;
    }
  }

  private List<Added> change(Walk walk, StepId step) {
    List<AttemptRecord> rows =
        db.selectFrom(ATTEMPT)
            .where(
                ATTEMPT.ENROLMENT_ID.eq(walk.enrolment()),
                ATTEMPT.STEP_ID.eq(step),
                ATTEMPT.FINISHED_AT.isNotNull())
            .orderBy(ATTEMPT.NUMBER)
            .forUpdate()
            .fetch();
    List<Added> added = new ArrayList<>();
    for (Anew one : anew(walk, rows, corrections.of(step)))
      if (one.changes()) {
        Attempts.setResult(one.attempt(), one.after());
        one.attempt().row().update();
        added.add(one.added());
      }
    return added;
  }

  /** Now and then, unless timers are switched off. */
  @Timed
  static class Rounds {
    private final OwnThread rounds;

    Rounds(Remarking remarking) {
      rounds = new OwnThread("corrections", remarking::all);
    }

    @Scheduled(initialDelay = 20_000, fixedDelay = 60_000)
    void run() {
      rounds.begin();
    }
  }
}
