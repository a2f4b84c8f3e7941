package yendrik.core.rubric;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.Refusal;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.RubricId;
import yendrik.core.outcome.Outcome;

/**
 * What counts in a piece of work: criteria, each with levels in words. Criteria and levels are
 * named by keys, which stay when others come to stand around them or their wording changes, so that
 * what was assessed stays what it was.
 */
public record Rubric(RubricId id, String name, List<Criterion> criteria) {
  private static final double HAIR = 1e-9;

  /**
   * @throws Refusal when two criteria have the same key
   */
  public Rubric {
    criteria = List.copyOf(criteria);
    unique(criteria.stream().map(Criterion::key).toList(), name);
  }

  /**
   * One thing that is looked at.
   *
   * @param key unique in its rubric
   * @param counts whether its points are part of the score; without, it only gives evidence
   * @param outcome what it gives evidence of, if anything
   * @param levels weakest first
   */
  public record Criterion(
      int key,
      String name,
      String description,
      boolean counts,
      Optional<OutcomeId> outcome,
      List<Level> levels) {

    /**
     * @throws Refusal with fewer than two levels, or two of the same key
     */
    public Criterion {
      levels = List.copyOf(levels);
      if (levels.size() < 2) throw new Refusal("criterion-levels", "criterion", name);
      unique(levels.stream().map(Level::key).toList(), name);
    }

    /** The most points to be had here, whether they count or not. */
    public double most() {
      return levels.stream().mapToDouble(Level::points).max().orElse(0);
    }

    /**
     * The same criterion, giving evidence of an outcome or of none: what its levels stand for goes
     * where the outcome's scale has no such level.
     */
    public Criterion evidenceOf(Optional<Outcome> other) {
      List<Level> now =
          levels.stream()
              .map(l ->
                  new Level(
                      l.key,
                      l.name,
                      l.description,
                      l.points,
                      l.standsFor.filter(s -> other.filter(o -> o.scale().at(s) >= 0).isPresent())))
              .toList();
      return new Criterion(key, name, description, counts, other.map(Outcome::id), now);
    }

    public Optional<Level> level(int key) {
      return levels.stream().filter(l -> l.key() == key).findFirst();
    }
  }

  /**
   * How well a criterion is met.
   *
   * @param key unique in its criterion
   * @param points 0 or more
   * @param standsFor the key of the level of the outcome's scale that this is evidence of; empty
   *     for a level that says nothing about the outcome
   */
  public record Level(
      int key, String name, String description, double points, Optional<Integer> standsFor) {
    public Level {
      if (!(points >= 0)) throw new Refusal("points", "points", points);
    }
  }

  /**
   * How one criterion was met in a piece of work.
   *
   * @param comment on this criterion, may be empty
   */
  public record Met(int criterion, int level, String comment) {}

  /**
   * A score.
   *
   * @param points of {@code of}
   * @param of most points of all criteria that count, also of those not assessed
   * @param missing how many criteria that count are not assessed
   */
  public record Score(double points, double of, int missing) {
    /** From 0 to 1; 0 where no points are to be had. */
    public double share() {
      return of < HAIR ? 0 : points / of;
    }
  }

  /** A piece of evidence that a criterion gives: a level of the outcome's scale, by key. */
  public record Shown(int criterion, OutcomeId outcome, int level, String comment) {}

  public Optional<Criterion> criterion(int key) {
    return criteria.stream().filter(c -> c.key() == key).findFirst();
  }

  /** The most points to be had: the sum of the best levels of the criteria that count. */
  public double of() {
    return criteria.stream().filter(Criterion::counts).mapToDouble(Criterion::most).sum();
  }

  /**
   * Adds up what was met: the points of the levels met in the criteria that count.
   *
   * @throws Refusal as {@link #check} says
   */
  public Score score(List<Met> met) {
    Map<Integer, Level> levels = check(met);
    double points = 0;
    int missing = 0;
    for (Criterion criterion : criteria) {
      if (!criterion.counts()) continue;
      Level level = levels.get(criterion.key());
      if (level == null) missing++;
      else points += level.points();
    }
    return new Score(points, of(), missing);
  }

  /** The evidence in what was met, in the order of the criteria. */
  public List<Shown> evidence(List<Met> met) {
    Map<Integer, Level> levels = check(met);
    Map<Integer, String> comments = new HashMap<>();
    for (Met m : met) comments.put(m.criterion(), m.comment());
    List<Shown> shown = new ArrayList<>();
    for (Criterion c : criteria) {
      Level level = levels.get(c.key());
      if (level == null || c.outcome().isEmpty() || level.standsFor().isEmpty()) continue;
      shown.add(
          new Shown(
              c.key(),
              c.outcome().get(),
              level.standsFor().get(),
              comments.getOrDefault(c.key(), "")));
    }
    return List.copyOf(shown);
  }

  /**
   * The level met in each criterion, by the criterion's key.
   *
   * @throws Refusal when a criterion or a level is none of this rubric, or a criterion is met twice
   */
  public Map<Integer, Level> check(List<Met> met) {
    Map<Integer, Level> levels = new HashMap<>();
    for (Met m : met) {
      Criterion criterion =
          criterion(m.criterion())
              .orElseThrow(() -> new Refusal("no-criterion", "rubric", name, "n", m.criterion()));
      Level level =
          criterion
              .level(m.level())
              .orElseThrow(() ->
                  new Refusal(
                      "no-level-of-criterion", "criterion", criterion.name(), "n", m.level()));
      if (levels.put(m.criterion(), level) != null)
        throw new Refusal("assessed-twice", "criterion", criterion.name());
    }
    return levels;
  }

  private static void unique(List<Integer> keys, String of) {
    Set<Integer> seen = new HashSet<>();
    for (int key : keys) if (!seen.add(key)) throw new Refusal("key-twice", "of", of, "key", key);
  }
}
