package yendrik.core.rule.look;

/** One question of a rule with its names turned into numbers. */
public interface Probe {
  /** Looks at one learner at one moment and fills in what the question comes to. */
  void look(Sight sight, Reading reading);

  /** Tells on what the answer rests, so that only what depends on a change is looked at again. */
  void readsFrom(Subjects subjects);
}
