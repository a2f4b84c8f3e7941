package yendrik.server.files;

import java.util.Set;
import yendrik.server.http.Problem;

/** What a file is for, which says what it may be. */
public enum FileUse implements Accepts {
  FILM(2L << 30, Set.of("video/webm", "video/mp4")),
  SOUND(500L << 20, Set.of("audio/webm", "audio/mpeg", "audio/mp4", "audio/ogg", "audio/vorbis")),
  PICTURE(20L << 20, Set.of("image/png", "image/jpeg", "image/gif", "image/webp")),
  /** To stand beside a name, in the band of every page. */
  MARK(1L << 20, Set.of("image/png", "image/jpeg")),
  /** To be a badge. */
  BADGE(2L << 20, Set.of("image/png", "image/jpeg", "image/svg+xml")),
  /** A written name, to be printed. */
  SIGNATURE(2L << 20, Set.of("image/png", "image/jpeg")),
  CAPTIONS(2L << 20, Set.of("text/vtt", "text/plain")),
  /** To be read or worked on: anything that no computer runs by itself. */
  DOCUMENT(500L << 20, Set.of());

  private static final Set<String> RUN =
      Set.of(
          "application/java-archive",
          "application/vnd.android.package-archive",
          "application/x-dosexec",
          "application/x-elf",
          "application/x-executable",
          "application/x-mach-o-executable",
          "application/x-ms-installer",
          "application/x-msdownload",
          "application/x-sharedlib");

  private final long most;
  private final Set<String> kinds;

  FileUse(long most, Set<String> kinds) {
    this.most = most;
    this.kinds = kinds;
  }

  @Override
  public long most() {
    return most;
  }

  @Override
  public boolean fits(String mediaType) {
    return kinds.isEmpty()
        ? RUN.stream().noneMatch(mediaType::startsWith)
        : kinds.contains(mediaType);
  }

  @Override
  public Problem refusal(String name, String mediaType) {
    if (kinds.isEmpty()) return Problem.field("file", "file-would-be-run", "name", name);
    String types = String.join(", ", kinds.stream().sorted().toList());
    return Problem.field(
        "file", "file-of-wrong-type", "name", name, "type", mediaType, "types", types);
  }
}
