package yendrik.server.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.util.StreamUtils;
import yendrik.server.http.Problem;

/**
 * A file as it comes in, on disk until it is looked at: however slowly it is sent, it holds no
 * connection to the database and no memory meanwhile.
 */
public final class Upload implements AutoCloseable {
  private final Path file;
  private final long bytes;

  private Upload(Path file, long bytes) {
    this.file = file;
    this.bytes = bytes;
  }

  /**
   * Takes a file in.
   *
   * @param most bytes that it may have; no more are read
   * @throws Problem naming the field {@code file} when there is nothing in it or too much
   */
  public static Upload of(InputStream content, String name, long most) {
    try {
      Path file = Files.createTempFile("yendrik-", ".upload");
      try (var out = Files.newOutputStream(file)) {
        long bytes = StreamUtils.copyRange(content, out, 0, most);
        if (bytes == 0) throw Problem.field("file", "file-empty");
        if (bytes > most)
          throw Problem.field("file", "file-too-large", "name", name, "most", most >> 20);
        return new Upload(file, bytes);
      } catch (IOException | RuntimeException e) {
        Files.deleteIfExists(file);
        throw e;
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  long bytes() {
    return bytes;
  }

  /** Its content from the beginning. */
  public InputStream content() throws IOException {
    return Files.newInputStream(file);
  }

  @Override
  public void close() {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
