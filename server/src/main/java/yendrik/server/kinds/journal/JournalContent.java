package yendrik.server.kinds.journal;

import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.discuss.Manner;
import yendrik.server.discuss.Written;

/** What is kept of a journal. */
public record JournalContent(String body, Optional<RubricId> rubric, int minutes)
    implements Written {
  @Override
  public Manner manner() {
    return Manner.journal(minutes);
  }
}
