package yendrik.server.kinds.video;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.server.design.Content;
import yendrik.server.design.TextFiles;

/** What is kept of a video. */
public record VideoContent(String body, Optional<Film> film, List<Caption> captions)
    implements Content {
  @Override
  public Set<Long> files() {
    Set<Long> all = new HashSet<>(TextFiles.of(body));
    film.ifPresent(f -> all.add(f.file()));
    return all;
  }
}
