package yendrik.server.way;

import static yendrik.schema.Tables.EXCEPTION_END;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.record.Fact;
import yendrik.core.record.StandingExceptions;
import yendrik.schema.tables.records.ExceptionEndRecord;

/**
 * Exceptions that end by themselves at a moment: then the end is a fact, dated when it came, also
 * if no server was up. What was taken back or ended before is left alone.
 */
@Component
public class ExceptionEnds {
  private static final Logger LOG = LoggerFactory.getLogger(ExceptionEnds.class);
  private static final Duration LATER = Duration.ofMinutes(10);
  private static final int BATCH = 100;
  private final DSLContext db;
  private final Walks walks;
  private final TransactionTemplate transaction;
  private final Clock clock;

  ExceptionEnds(DSLContext db, Walks walks, TransactionTemplate transaction, Clock clock) {
    this.db = db;
    this.walks = walks;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** Lets an exception end at a moment; within the transaction that gives it. */
  public void plan(EnrolmentId enrolment, FactId exception, Instant at) {
    db.insertInto(EXCEPTION_END)
        .set(EXCEPTION_END.FACT_ID, exception)
        .set(EXCEPTION_END.ENROLMENT_ID, enrolment)
        .set(EXCEPTION_END.AT, at)
        .set(EXCEPTION_END.TRY_FROM, at)
        .execute();
  }

  /** When exceptions of these learners will end. */
  public Map<FactId, Instant> of(Collection<EnrolmentId> learners) {
    return db.select(EXCEPTION_END.FACT_ID, EXCEPTION_END.AT)
        .from(EXCEPTION_END)
        .where(EXCEPTION_END.ENROLMENT_ID.in(learners))
        .fetchMap(EXCEPTION_END.FACT_ID, EXCEPTION_END.AT);
  }

  /** Ends what is due, one a transaction; what two servers do at once is done once. */
  void endDue() {
    List<FactId> due =
        db.select(EXCEPTION_END.FACT_ID)
            .from(EXCEPTION_END)
            .where(EXCEPTION_END.TRY_FROM.le(clock.instant()))
            .orderBy(EXCEPTION_END.AT, EXCEPTION_END.FACT_ID)
            .limit(BATCH)
            .fetch(EXCEPTION_END.FACT_ID);
    for (FactId exception : due)
      try {
        transaction.executeWithoutResult(_ -> end(exception));
      } catch (RuntimeException e) {
        LOG.error("exception {} could not be ended; it is tried again", exception, e);
        transaction.executeWithoutResult(_ ->
            db.update(EXCEPTION_END)
                .set(EXCEPTION_END.TRY_FROM, clock.instant().plus(LATER))
                .where(EXCEPTION_END.FACT_ID.eq(exception))
                .execute());
      }
  }

  private void end(FactId exception) {
    Optional<ExceptionEndRecord> due =
        db.deleteFrom(EXCEPTION_END)
            .where(EXCEPTION_END.FACT_ID.eq(exception))
            .returning()
            .fetchOptional();
    due.ifPresent(row ->
        walks.change(
            row.getEnrolmentId(), Optional.empty(), walk -> ending(walk, exception, row.getAt())));
  }

  private static List<Added> ending(Walk walk, FactId exception, Instant at) {
    return StandingExceptions.of(walk.facts(), walk.progress().asOf()).stream()
        .filter(f -> f.id().equals(exception))
        .map(f -> (Fact.AtStep) f.what())
        .map(what ->
            new Added(
                new Fact.ExceptionEnded(what.step(), Fact.Grant.of(what).orElseThrow(), ""),
                Optional.empty(),
                Optional.of(at)))
        .toList();
  }
}
