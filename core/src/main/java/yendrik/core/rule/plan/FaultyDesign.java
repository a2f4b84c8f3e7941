package yendrik.core.rule.plan;

import java.util.List;
import yendrik.core.rule.check.Finding;

/** A design that cannot be compiled, with all that is wrong with it. */
public final class FaultyDesign extends RuntimeException {
  private final transient List<Finding> findings;

  FaultyDesign(List<Finding> findings) {
    super("the design has " + findings.size() + " faults, first " + findings.getFirst());
    this.findings = List.copyOf(findings);
  }

  public List<Finding> findings() {
    return findings;
  }
}
