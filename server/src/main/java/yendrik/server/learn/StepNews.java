package yendrik.server.learn;

import java.util.Map;
import yendrik.core.id.StepId;
import yendrik.server.way.Walk;

/** What waits to be read at the steps of a way. */
public interface StepNews {
  /** How much there is at each step; steps without news are left out. */
  Map<StepId, Integer> of(Walk walk);
}
