package yendrik.core.rule.plan;

import java.util.BitSet;
import java.util.Optional;
import java.util.function.IntFunction;
import yendrik.core.course.CourseIndex;
import yendrik.core.rule.look.Subjects;

/** Finds out which units of a course read what. */
final class Reads {
  private final CourseIndex index;
  private final UnitNumbers units;
  private final BitSet[] readers;
  private final boolean[] readsItself;

  private Reads(CourseIndex index, UnitNumbers units) {
    this.index = index;
    this.units = units;
    readers = new BitSet[units.subjects()];
    for (int i = 0; i < readers.length; i++) readers[i] = new BitSet(units.all());
    readsItself = new boolean[units.all()];
  }

  static Reads of(
      CourseIndex index,
      UnitNumbers units,
      IntFunction<Optional<PlannedRule>> opens,
      IntFunction<Optional<PlannedRule>> holds) {
    var reads = new Reads(index, units);
    for (int s = 0; s < index.steps(); s++) reads.step(s, opens.apply(s), holds.apply(s));
    for (int m = 0; m < index.modules(); m++) {
      reads.rule(units.door(m), opens.apply(units.door(m)));
      reads.rule(units.module(m), holds.apply(units.module(m)));
      for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++)
        if (index.hangsOnPerson(s)) reads.new Reader(units.module(m), reads.readsItself).person();
    }
    for (int b = 0; b < index.badges(); b++)
      reads.rule(units.badge(b), holds.apply(units.badge(b)));
    reads.rule(units.course(), holds.apply(units.course()));
    for (int s = 0; s < reads.readers.length; s++)
      if (s != units.flags()) reads.readers[s].set(units.flags());
    return reads;
  }

  private void rule(int unit, Optional<PlannedRule> rule) {
    rule.ifPresent(r -> r.readsFrom(new Reader(unit, readsItself)));
  }

  private void step(int s, Optional<PlannedRule> opens, Optional<PlannedRule> holds) {
    var reader = new Reader(units.step(s), readsItself);
    opens.ifPresent(r -> r.readsFrom(reader));
    // whether it is done rests on its own opening, which is worked out before
    holds.ifPresent(r -> r.readsFrom(new Reader(s, new boolean[units.all()])));
    int m = index.moduleOf(s);
    reader.read(units.door(m));
    if (index.hangsOnPerson(s)) reader.person();
    for (int before = index.orderFrom(s); before < s; before++) reader.step(before);
  }

  /** For each subject the units that read it. */
  int[][] dependents() {
    int[][] dependents = new int[readers.length][];
    for (int s = 0; s < dependents.length; s++) dependents[s] = readers[s].stream().toArray();
    return dependents;
  }

  /** The units that wait for themselves. */
  boolean[] readsItself() {
    return readsItself;
  }

  private final class Reader implements Subjects {
    private final int unit;
    private final boolean[] itself;

    Reader(int unit, boolean[] itself) {
      this.unit = unit;
      this.itself = itself;
    }

    void read(int subject) {
      if (subject == unit) itself[unit] = true;
      else readers[subject].set(unit);
    }

    @Override
    public void step(int step) {
      read(units.step(step));
      if (index.hangsOnPerson(step)) person();
    }

    @Override
    public void factsOf(int step) {
      read(units.factsOf(step));
      if (index.hangsOnPerson(step)) person();
    }

    @Override
    public void module(int module) {
      read(units.module(module));
    }

    @Override
    public void outcome(int outcome) {
      read(units.outcome(outcome));
    }

    @Override
    public void badge(int badge) {
      read(units.badge(badge));
    }

    @Override
    public void course() {
      read(units.course());
    }

    @Override
    public void person() {
      read(units.person());
    }
  }
}
