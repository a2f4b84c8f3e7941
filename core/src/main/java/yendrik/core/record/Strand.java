package yendrik.core.record;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.PersonId;
import yendrik.core.rule.Leaf;
import yendrik.core.words.Ground;

/**
 * One part of what a record holds about the steps of a course: seen, time, attempts. Each strand
 * keeps flat arrays by the numbers of a {@link CourseIndex} and is filled by facts of its own.
 *
 * @param <F> its facts
 * @param <K> what it keeps of one step
 */
public abstract class Strand<F extends Fact.OfStrand, K extends Strand.Kept> {
  /** What did not happen. */
  protected static final long NEVER = LearnerRecord.NEVER;

  /** What was not scored. */
  public static final double UNSCORED = -1;

  protected final LearnerRecord record;
  protected final CourseIndex index;
  private final Class<F> facts;
  private final Class<K> kept;

  protected Strand(LearnerRecord record, Class<F> facts, Class<K> kept) {
    this.record = record;
    index = record.index();
    this.facts = facts;
    this.kept = kept;
  }

  /** What is kept of one step beside the state; what is left out of a stored form is nothing. */
  public interface Kept {}

  /**
   * A strand as the rest of Yendrik knows it.
   *
   * @param name under which what it keeps is stored
   * @param facts by the names under which they are stored; a name keeps its meaning for good
   * @param leaves the questions of rules that ask it, by their stored names
   */
  public record Door<S extends Strand<?, ?>>(
      String name,
      Class<S> strand,
      Function<LearnerRecord, S> begin,
      Class<? extends Kept> kept,
      Map<String, Class<? extends Fact.OfStrand>> facts,
      Map<String, Class<? extends Leaf.OfStrand>> leaves) {
    public Door {
      facts = Map.copyOf(facts);
      leaves = Map.copyOf(leaves);
    }
  }

  /**
   * Takes a fact about a step.
   *
   * @param s the step by its number
   * @param at epoch milliseconds
   * @param by who brought it about
   */
  protected abstract void take(int s, long at, F what, Optional<PersonId> by);

  /** What is kept of a step, empty where nothing happened. */
  protected abstract Optional<K> keep(int s);

  /** Takes up what {@link #keep} gave. */
  protected abstract void restore(int s, K kept);

  /** Nothing has happened at a step any more; numbers that were given there are not given again. */
  protected abstract void forget(int s);

  final void takeAny(int s, long at, Fact.OfStrand what, Optional<PersonId> by) {
    take(s, at, facts.cast(what), by);
  }

  final void restoreIfOwn(int s, List<Kept> all) {
    for (Kept one : all) if (kept.isInstance(one)) restore(s, kept.cast(one));
  }

  /** Whether work of the strand is ever marked, by a machine or a person. */
  public boolean marks() {
    return false;
  }

  /** Since when something that was handed in waits for staff; {@link #NEVER} where nothing does. */
  public long waitingSince(int s) {
    return NEVER;
  }

  /** Whether work was judged, and nothing newer waits. */
  public boolean marked(int s) {
    return false;
  }

  public boolean passed(int s) {
    return false;
  }

  /** Whether something was tried and no further try is left. */
  public boolean spent(int s) {
    return false;
  }

  /** The share of the points, 0 to 1; {@link #UNSCORED} without a score. */
  public double score(int s) {
    return UNSCORED;
  }

  /** When the work was last judged. */
  public long markedAt(int s) {
    return NEVER;
  }

  /** Where the work stands, in words, empty when there is nothing to tell. */
  public Optional<Ground> standing(int s) {
    return Optional.empty();
  }

  /** A moment as it is stored: 0 for never. */
  protected static long stored(long moment) {
    return moment == NEVER ? 0 : moment;
  }

  /** Reads what {@link #stored} gave. */
  protected static long moment(long stored) {
    return stored == 0 ? NEVER : stored;
  }

  /** An array of moments at which nothing happened. */
  protected static long[] never(int n) {
    long[] all = new long[n];
    java.util.Arrays.fill(all, NEVER);
    return all;
  }
}
