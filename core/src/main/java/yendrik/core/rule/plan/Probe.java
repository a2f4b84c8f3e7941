package yendrik.core.rule.plan;

/** One question of a rule with its names turned into numbers. */
interface Probe {
  void look(Sight sight, Reading reading);

  /** Tells on what the answer rests, so that only what depends on a change is looked at again. */
  void readsFrom(Subjects subjects);
}
