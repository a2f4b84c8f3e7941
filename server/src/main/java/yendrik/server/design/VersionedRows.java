package yendrik.server.design;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.TableField;
import org.jooq.UpdatableRecord;
import org.jooq.exception.DataChangedException;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import yendrik.core.id.CourseId;
import yendrik.core.id.Id;
import yendrik.server.http.Problem;

/**
 * Rows of one kind in a course, each with a version: the one way to add, find, change, take away
 * and bring back. Whoever changes a row says which version they saw.
 *
 * @param <R> the row; as an argument it holds the columns that are to be written
 */
public final class VersionedRows<R extends UpdatableRecord<R>, I extends Id> {
  private final DSLContext db;
  private final Clock clock;
  private final String called;
  private final TableField<R, I> id;
  private final TableField<R, CourseId> course;
  private final TableField<R, Integer> version;
  private final TableField<R, Instant> deletedAt;

  /**
   * @param called what one of them is called, where it is not found
   */
  public VersionedRows(
      DSLContext db,
      Clock clock,
      String called,
      TableField<R, I> id,
      TableField<R, CourseId> course,
      TableField<R, Integer> version,
      TableField<R, Instant> deletedAt) {
    this.db = db;
    this.clock = clock;
    this.called = called;
    this.id = id;
    this.course = course;
    this.version = version;
    this.deletedAt = deletedAt;
  }

  /** The rows as those of an address, which says no more than a number. */
  public I id(long number) {
    if (number < 1) throw Problem.notFound(called);
    return id.getDataType().convert(number);
  }

  private Condition is(CourseId of, I row) {
    return id.eq(row).and(course.eq(of));
  }

  /** A row that was not taken away, or a Problem as if there were none. */
  public R one(CourseId of, I row) {
    return find(of, row).orElseThrow(() -> Problem.notFound(called));
  }

  /** The same, kept from everybody else until the transaction ends. */
  public R locked(CourseId of, I row) {
    return db.selectFrom(id.getTable())
        .where(is(of, row), deletedAt.isNull())
        .forUpdate()
        .fetchOptional()
        .orElseThrow(() -> Problem.notFound(called));
  }

  public Optional<R> find(CourseId of, I row) {
    return db.selectFrom(id.getTable()).where(is(of, row), deletedAt.isNull()).fetchOptional();
  }

  /** An empty row, to be filled with what is to be written. */
  public R fresh() {
    return db.newRecord(id.getTable());
  }

  /** Adds a row; its id comes back. */
  public I add(CourseId of, R row) {
    row.set(course, of);
    return db.insertInto(id.getTable()).set(row).returning(id).fetchSingle(id);
  }

  /**
   * Adds a row at the end.
   *
   * @param within those at whose end
   */
  public I add(CourseId of, R row, TableField<R, Integer> position, Condition within) {
    row.set(position, next(position, within));
    return add(of, row);
  }

  /** The first free place. */
  public int next(TableField<R, Integer> position, Condition within) {
    return db.select(DSL.coalesce(DSL.max(position), -1).plus(1))
        .from(id.getTable())
        .where(within)
        .fetchSingle()
        .value1();
  }

  /**
   * Writes some columns of a row, if it is still the version that was seen; it is another one then.
   */
  public boolean change(CourseId of, I row, int seen, R columns) {
    one(of, row);
    columns.set(id, row);
    columns.set(version, seen);
    columns.touched(id, false);
    columns.touched(version, false);
    try {
      columns.update();
      return true;
    } catch (DataChangedException e) {
      return false;
    }
  }

  /** The version that stands, also of what was taken away. */
  public Optional<Integer> version(CourseId of, I row) {
    return db.select(version).from(id.getTable()).where(is(of, row)).fetchOptional(version);
  }

  public void remove(CourseId of, I row) {
    mark(of, row, clock.instant());
  }

  public void restore(CourseId of, I row) {
    mark(of, row, null);
  }

  private void mark(CourseId of, I row, @Nullable Instant at) {
    int rows = db.update(id.getTable()).set(deletedAt, at).where(is(of, row)).execute();
    if (rows == 0) throw Problem.notFound("part of this course");
  }
}
