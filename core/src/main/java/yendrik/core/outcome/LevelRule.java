package yendrik.core.outcome;

import java.time.Instant;
import java.util.Optional;
import yendrik.core.Refusal;

/**
 * How an outcome's level is found.
 *
 * @param fewest with fewer pieces than this there is no level yet, 1 or more
 * @param since pieces from before this moment are left out
 */
public record LevelRule(LevelMethod method, int fewest, Optional<Instant> since) {
  public LevelRule {
    if (fewest < 1) throw new Refusal("fewest", "n", fewest);
  }

  /** A method on all evidence, from the first piece. */
  public static LevelRule of(LevelMethod method) {
    return new LevelRule(method, 1, Optional.empty());
  }

  /** Whether no later evidence can ever lower a level. */
  public boolean onlyRises() {
    return method instanceof LevelMethod.Best;
  }
}
