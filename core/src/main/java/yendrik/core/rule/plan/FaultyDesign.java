package yendrik.core.rule.plan;

import java.util.List;
import yendrik.core.rule.check.Finding;

/** A design that cannot be compiled; {@code References.check} says what is wrong with it. */
public final class FaultyDesign extends RuntimeException {
  FaultyDesign(List<Finding> findings) {
    super("the design has " + findings.size() + " faults, first " + findings.getFirst());
  }
}
