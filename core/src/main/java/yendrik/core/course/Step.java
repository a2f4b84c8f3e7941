package yendrik.core.course;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import yendrik.core.Refusal;
import yendrik.core.Years;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;

/**
 * One thing in a module, without its content.
 *
 * @param required whether it counts in the module, in the percentage done and in the plan; help and
 *     enrichment are not required
 */
public record Step(
    StepId id,
    String name,
    StepKind kind,
    boolean required,
    boolean published,
    Optional<Condition> opensWhen,
    Condition doneWhen,
    Gate gate,
    Window window,
    Scoring scoring,
    List<Tie> evidenceFor,
    Audience audience,
    List<Allowance> allowances) {

  /**
   * @throws Refusal if a group has two allowances
   */
  public Step {
    evidenceFor = List.copyOf(evidenceFor);
    allowances = List.copyOf(allowances);
    if (allowances.stream().map(Allowance::group).distinct().count() < allowances.size())
      throw new Refusal("allowance-twice", "n", allowances.size());
  }

  /**
   * What learners see of something closed, and whether open stays open.
   *
   * @param listed whether learners see it while it is closed
   * @param staysOpen whether it stays open once it was, whatever its rule says later
   * @param missing whether they are told what is missing; told where nothing is stored
   */
  public record Gate(boolean listed, boolean staysOpen, Missing missing) {
    public static final Gate USUAL = new Gate(true, true);

    public Gate {
      missing = missing == null ? Missing.TOLD : missing;
    }

    public Gate(boolean listed, boolean staysOpen) {
      this(listed, staysOpen, Missing.TOLD);
    }
  }

  /** What learners are told of what is missing of something closed. */
  public enum Missing {
    TOLD,
    /** Only that it is closed. */
    UNTOLD;

    public static Missing of(boolean told) {
      return told ? TOLD : UNTOLD;
    }

    public boolean told() {
      return this == TOLD;
    }
  }

  /**
   * When the step can be used and when it is due; each may be left out.
   *
   * @param late until when something may still be done there, which may be after it was due;
   *     without it, as long as the step can be used
   * @param until when it cannot be used any more, not even looked at
   */
  public record Window(
      Optional<Instant> from,
      Optional<Instant> due,
      Optional<Instant> late,
      Optional<Instant> until) {
    public static final Window ALWAYS =
        new Window(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    /**
     * The same so many days later, at the same time of day where the course is.
     *
     * @param days negative for earlier
     * @throws Refusal if a date would lie outside the {@link Years}
     */
    public Window later(long days, ZoneId zone) {
      UnaryOperator<Instant> later = at -> Years.later(at, days, zone);
      return new Window(from.map(later), due.map(later), late.map(later), until.map(later));
    }
  }

  /**
   * @param points most points to be had, 0 for a step without score
   * @param passMark share of the points needed to pass, 0 to 1
   * @param attempts finished attempts allowed, 0 for any number
   * @param other which attempt counts, where it is not the best
   */
  public record Scoring(double points, double passMark, int attempts, Optional<Counts> other) {
    public static final Scoring NONE = new Scoring(0, 0, 0);

    /** The best attempt counts. */
    public Scoring(double points, double passMark, int attempts) {
      this(points, passMark, attempts, Optional.empty());
    }

    /** With what counts said. */
    public static Scoring counting(double points, double passMark, int attempts, Counts counts) {
      return new Scoring(
          points, passMark, attempts, Optional.of(counts).filter(c -> c != Counts.BEST));
    }

    /** Which attempt counts. */
    public Counts counts() {
      return other.orElse(Counts.BEST);
    }

    public Scoring {
      if (!(points >= 0)) throw new Refusal("points", "points", points);
      if (!(passMark >= 0 && passMark <= 1)) throw new Refusal("pass-mark", "share", passMark);
      if (attempts < 0) throw new Refusal("attempts", "n", attempts);
    }
  }

  /**
   * An outcome this step gives evidence of.
   *
   * @param weight greater than 0
   * @param cuts for each level above the lowest the least share of the points that stands for it,
   *     ascending from 0 to 1; levels beyond the last are for people to give; empty for the usual
   *     way, by the pass mark
   */
  public record Tie(OutcomeId outcome, double weight, Optional<List<Double>> cuts) {
    /** Levels by the pass mark. */
    public Tie(OutcomeId outcome, double weight) {
      this(outcome, weight, Optional.empty());
    }

    public Tie {
      cuts = cuts.map(List::copyOf);
      double least = 0;
      for (double cut : cuts.orElse(List.of())) {
        if (!(cut >= least && cut <= 1)) throw new Refusal("cut-point", "share", cut);
        least = cut;
      }
      if (!(weight > 0)) throw new Refusal("weight", "weight", weight);
    }
  }

  /**
   * What a group has beyond everybody else. Who is in several groups has the most of each.
   *
   * @param minutes more for each attempt that has a clock, 0 or more
   * @param attempts more, 0 or more; nothing where attempts are not counted
   * @param due when it is due for them instead; an earlier date than everybody's is none
   */
  public record Allowance(GroupId group, int minutes, int attempts, Optional<Instant> due) {
    /**
     * The same so many days later, at the same time of day where the course is.
     *
     * @param days negative for earlier
     * @throws Refusal if the date would lie outside the {@link Years}
     */
    public Allowance later(long days, ZoneId zone) {
      return new Allowance(group, minutes, attempts, due.map(at -> Years.later(at, days, zone)));
    }

    public Allowance {
      if (minutes < 0) throw new Refusal("minutes", "n", minutes);
      if (attempts < 0) throw new Refusal("attempts", "n", attempts);
    }
  }

  /** For whom the step exists. Both sets empty means everyone. */
  public record Audience(Set<GroupId> groups, Set<PersonId> people) {
    public static final Audience EVERYONE = new Audience(Set.of(), Set.of());

    public Audience {
      groups = Set.copyOf(groups);
      people = Set.copyOf(people);
    }

    public boolean everyone() {
      return groups.isEmpty() && people.isEmpty();
    }
  }
}
