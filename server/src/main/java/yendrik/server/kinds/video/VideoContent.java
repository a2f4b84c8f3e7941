package yendrik.server.kinds.video;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.server.design.Content;
import yendrik.server.design.TextFiles;

/** What is kept of a video. */
public record VideoContent(
    String body, Optional<Film> film, Optional<Elsewhere> elsewhere, List<Caption> captions)
    implements Content {
  /** How long its film is, if there is one. */
  Optional<Integer> seconds() {
    return film.map(Film::seconds).or(() -> elsewhere.map(Elsewhere::seconds));
  }

  @Override
  public Set<Long> files() {
    Set<Long> all = new HashSet<>(TextFiles.of(body));
    film.ifPresent(f -> all.add(f.file()));
    return all;
  }
}
