package yendrik.server.kinds.file;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import yendrik.server.design.Content;
import yendrik.server.design.TextFiles;
import yendrik.server.files.Files;

/** What is kept of a step with files. */
public record FileContent(String body, List<Files.Kept> shown) implements Content {
  @Override
  public Set<Long> files() {
    Set<Long> all = new HashSet<>(TextFiles.of(body));
    shown.forEach(f -> all.add(f.id()));
    return all;
  }
}
