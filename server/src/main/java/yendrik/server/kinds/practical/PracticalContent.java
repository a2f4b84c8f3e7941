package yendrik.server.kinds.practical;

import java.util.Optional;
import yendrik.core.id.RubricId;
import yendrik.server.design.Content;

/** What is kept of a practical. */
public record PracticalContent(String body, Optional<RubricId> rubric) implements Content {}
