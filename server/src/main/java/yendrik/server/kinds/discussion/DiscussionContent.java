package yendrik.server.kinds.discussion;

import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.discuss.Manner;
import yendrik.server.discuss.Written;

/** What is kept of a discussion. */
public record DiscussionContent(
    String body, Optional<RubricId> rubric, boolean byGroup, boolean postFirst, int minutes)
    implements Written {
  @Override
  public Manner manner() {
    return new Manner(false, byGroup, postFirst, minutes);
  }
}
