package yendrik.core.progress;

import java.time.Instant;
import java.util.function.LongSupplier;
import yendrik.core.course.CourseIndex;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.plan.UnitNumbers;

/** What rules see: the record, and what has been worked out so far. */
final class Derived implements Sight {
  private static final long NEVER = Units.NEVER;
  private final LearnerRecord record;
  private final UnitNumbers numbers;
  private final Units units;
  private final LongSupplier now;
  private final CourseIndex index;

  Derived(
      CourseIndex index, LearnerRecord record, UnitNumbers numbers, Units units, LongSupplier now) {
    this.index = index;
    this.record = record;
    this.numbers = numbers;
    this.units = units;
    this.now = now;
  }

  @Override
  public LearnerRecord record() {
    return record;
  }

  @Override
  public long now() {
    return now.getAsLong();
  }

  @Override
  public boolean waived(int step) {
    return !record.isFor(step) || (record.excused(step) && units.keptAt[step] == NEVER);
  }

  @Override
  public long doneAt(int step) {
    return units.keptAt[step];
  }

  @Override
  public boolean doneByWaiver(int step) {
    return units.byWaiver[step];
  }

  @Override
  public boolean open(int step) {
    return units.open[step];
  }

  @Override
  public boolean usable(int step) {
    return units.usable[step];
  }

  @Override
  public boolean outOfReach(int step) {
    return units.lost[step];
  }

  @Override
  public double fraction(int step) {
    return units.fraction[step];
  }

  @Override
  public Turn turn(int step) {
    return units.turn(step);
  }

  @Override
  public long moduleDoneAt(int module) {
    return units.keptAt[numbers.module(module)];
  }

  @Override
  public boolean nothingToDo(int module) {
    return units.byWaiver[numbers.module(module)];
  }

  @Override
  public boolean moduleOutOfReach(int module) {
    return units.lost[numbers.module(module)];
  }

  @Override
  public double moduleFraction(int module) {
    return units.fraction[numbers.module(module)];
  }

  @Override
  public Turn moduleTurn(int module) {
    return units.turn(numbers.module(module));
  }

  @Override
  public boolean holds(int badge) {
    boolean earned = units.keptAt[numbers.badge(badge)] != NEVER;
    return (record.holds(badge) || (earned && !record.revoked(badge))) && now() < endsAt(badge);
  }

  /** When the badge is not valid any more, issued already or not. */
  long endsAt(int badge) {
    long none = Units.NO_MOMENT;
    if (record.holds(badge)) return record.endsAt(badge) == NEVER ? none : record.endsAt(badge);
    long earned = units.keptAt[numbers.badge(badge)];
    if (earned == NEVER) return none;
    return index
        .badge(badge)
        .validity()
        .end(Instant.ofEpochMilli(earned), index.design().zone())
        .map(Instant::toEpochMilli)
        .orElse(none);
  }

  /** From when on the badge is not awarded any more. */
  long awardedUntil(int badge) {
    return index
        .badge(badge)
        .validity()
        .awardedUntil(index.design().zone())
        .map(Instant::toEpochMilli)
        .orElse(Units.NO_MOMENT);
  }

  @Override
  public boolean badgeOutOfReach(int badge) {
    return units.lost[numbers.badge(badge)];
  }

  @Override
  public boolean complete() {
    return units.keptAt[numbers.course()] != NEVER;
  }

  @Override
  public long firstMet(int number, boolean met) {
    if (met) units.keep(units.firstMet, number, now());
    return units.firstMet[number];
  }

  @Override
  public boolean completeOutOfReach() {
    return units.lost[numbers.course()];
  }
}
