package yendrik.core.rule.plan;

import java.util.List;
import yendrik.core.rule.check.Fault;

/** A design that cannot be compiled; {@code References.check} says what is wrong with it. */
public final class FaultyDesign extends RuntimeException {
  FaultyDesign(List<Fault> faults) {
    super("the design has " + faults.size() + " faults, first " + faults.getFirst());
  }
}
