package yendrik.server.way;

import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** What the last check of state against facts found, and who is set aside, on the health page. */
@Component("learnerState")
class StateHealth implements HealthIndicator {
  private final CheckState check;
  private final Walks walks;

  StateHealth(CheckState check, Walks walks) {
    this.check = check;
    this.walks = walks;
  }

  /** Always up: a server that says that a learner differs still serves all the others. */
  @Override
  public Health health() {
    Health.Builder health = Health.up().withDetail("setAside", walks.aside());
    check
        .last()
        .ifPresent(last ->
            health
                .withDetail("checkedAt", last.at().toString())
                .withDetail("learners", last.learners())
                .withDetail("differing", last.differing()));
    return health.build();
  }
}
