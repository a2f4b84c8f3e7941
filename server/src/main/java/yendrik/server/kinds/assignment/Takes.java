package yendrik.server.kinds.assignment;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import yendrik.server.files.Accepts;
import yendrik.server.files.FileSort;
import yendrik.server.files.FileUse;
import yendrik.server.http.Problem;

/**
 * What can be handed in.
 *
 * @param text written on the page
 * @param link an address of something elsewhere
 */
public record Takes(boolean text, boolean link, Optional<@Valid FilesTaken> files) {
  /** A text and nothing else. */
  static final Takes TEXT = new Takes(true, false, Optional.empty());

  /** A text, and a file of one of these sorts. */
  static Takes besidesText(Set<FileSort> sorts) {
    return sorts.isEmpty()
        ? TEXT
        : new Takes(true, false, Optional.of(new FilesTaken(sorts, 1, 20)));
  }

  /**
   * @param sorts any if there are none
   * @param number how many at once
   * @param megabytes how large each may be
   */
  @Schema(name = "FilesTaken")
  public record FilesTaken(
      @NotNull Set<FileSort> sorts, @Min(1) @Max(20) int number, @Min(1) @Max(500) int megabytes)
      implements Accepts {
    public FilesTaken {
      sorts = sorts.isEmpty() ? Set.of() : EnumSet.copyOf(sorts);
    }

    @Override
    public long most() {
      return (long) megabytes << 20;
    }

    @Override
    public boolean fits(String mediaType) {
      return sorts.isEmpty()
          ? FileUse.DOCUMENT.fits(mediaType)
          : sorts.stream().anyMatch(s -> s.holds(mediaType));
    }

    @Override
    public Problem refusal(String name, String mediaType) {
      return Problem.field("file", "file-not-taken", "name", name);
    }
  }
}
