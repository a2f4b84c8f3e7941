package yendrik.server.people;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Says at the start of a new installation what has to be done before anybody can enter. */
@Component
class NobodyCanEnter {
  private static final Logger LOG = LoggerFactory.getLogger(NobodyCanEnter.class);
  private final People people;

  NobodyCanEnter(People people) {
    this.people = people;
  }

  @EventListener(ApplicationReadyEvent.class)
  void say() {
    if (!people.hasAdministrator())
      LOG.warn("Nobody can enter yet. ./yendrik admin E-MAIL prints a link for an administrator.");
  }
}
