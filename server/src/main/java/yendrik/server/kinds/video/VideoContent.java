package yendrik.server.kinds.video;

import java.util.Optional;
import yendrik.server.design.Content;

/** What is kept of a video. */
public record VideoContent(String body, Optional<Film> film) implements Content {}
