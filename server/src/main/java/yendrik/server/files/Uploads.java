package yendrik.server.files;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import me.desair.tus.server.HttpHeader;
import me.desair.tus.server.TusFileUploadService;
import me.desair.tus.server.exception.TusException;
import me.desair.tus.server.upload.UploadInfo;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import yendrik.core.id.PersonId;
import yendrik.server.http.Problem;

/**
 * Files on their way: they come in pieces, go on after a broken connection, and belong to whoever
 * sends them until somebody takes them. The protocol is tus 1.0.
 */
@Component
public class Uploads {
  static final String ADDRESS = "/api/uploads";
  private static final long LARGEST = 4L << 30;
  private static final Duration KEPT = Duration.ofDays(1);

  /** What one person may begin to send in a day. */
  private static final long MOST_A_DAY = 20L << 30;

  private final TusFileUploadService tus;

  /** The library locks each upload that it looks at, and cannot wait: who clears takes turns. */
  private final ReadWriteLock taking = new ReentrantReadWriteLock();

  private final Cache<PersonId, AtomicLong> begun =
      Caffeine.newBuilder().expireAfterWrite(KEPT).build();

  Uploads(@Value("${yendrik.files}") Path folder) {
    tus =
        new TusFileUploadService()
            .withUploadUri(ADDRESS)
            .withStoragePath(folder.resolve("uploads").toAbsolutePath().toString())
            .withMaxUploadSize(LARGEST)
            .withUploadExpirationPeriod(KEPT.toMillis())
            .disableTusExtension("concatenation");
  }

  /** A file that has come in whole, to be read once. */
  public record Arrived(String name, InputStream content) implements AutoCloseable {
    @Override
    public void close() throws IOException {
      content.close();
    }
  }

  /** Begins to take a file, unless somebody has begun too many today. */
  void begin(HttpServletRequest request, HttpServletResponse response, PersonId by)
      throws IOException {
    long bytes = length(request.getHeader(HttpHeader.UPLOAD_LENGTH));
    AtomicLong today = begun.get(by, _ -> new AtomicLong());
    // What is too large for one file is refused as that.
    if (bytes <= LARGEST && today.get() + bytes > MOST_A_DAY)
      throw Problem.tooMany(Optional.empty(), "too-much-sent", "most", MOST_A_DAY >> 30);
    process(request, response, by);
    today.addAndGet(bytes);
  }

  /** What the protocol looks at again, and refuses where it is none. */
  private static long length(@Nullable String header) {
    try {
      return header == null ? 0 : Math.max(0, Long.parseLong(header));
    } catch (NumberFormatException e) {
      return 0;
    }
  }

  /** Answers a piece of the protocol. What it refuses is a Problem like every other. */
  void process(HttpServletRequest request, HttpServletResponse response, PersonId by)
      throws IOException {
    int[] refused = new int[1];
    taking.readLock().lock();
    try {
      process(request, response, by, refused);
    } catch (OverlappingFileLockException e) {
      throw Problem.conflict("upload-is-under-way");
    } finally {
      taking.readLock().unlock();
    }
    switch (refused[0]) {
      case 0 -> {}
      case 403, 404, 410 -> throw Problem.notFound("upload");
      case 409 -> throw Problem.conflict("upload-goes-on-elsewhere");
      case 413 -> throw Problem.field("file", "upload-too-large", "most", LARGEST >> 30);
      case 423 -> throw Problem.conflict("upload-is-under-way");
      default -> throw Problem.notUnderstood("upload-not-understood");
    }
  }

  private void process(
      HttpServletRequest request, HttpServletResponse response, PersonId by, int[] refused)
      throws IOException {
    tus.process(
        new HttpServletRequestWrapper(request) {
          @Override
          public @Nullable String getHeader(String name) {
            String header = super.getHeader(name);
            // A type may have parameters; the protocol's has none and is compared whole.
            boolean type = name.equalsIgnoreCase(HttpHeaders.CONTENT_TYPE) && header != null;
            return type ? header.replaceAll(";.*", "").strip() : header;
          }
        },
        new HttpServletResponseWrapper(response) {
          @Override
          public void setHeader(String name, String value) {
            // A refusal has a body, which the protocol does not know of.
            if (!name.equalsIgnoreCase(HttpHeaders.CONTENT_LENGTH)) super.setHeader(name, value);
          }

          @Override
          public void sendError(int status) {
            refused[0] = status;
          }

          @Override
          public void sendError(int status, String message) {
            refused[0] = status;
          }
        },
        owner(by));
  }

  /**
   * A file that somebody has sent whole.
   *
   * @throws Problem naming the field {@code upload} if there is none, or a part of it is missing
   */
  public Arrived arrived(PersonId by, String upload) {
    String address = ADDRESS + "/" + upload;
    taking.readLock().lock();
    try {
      UploadInfo info = tus.getUploadInfo(address, owner(by));
      if (info == null) throw Problem.field("upload", "no-such-upload");
      if (info.isUploadInProgress()) throw Problem.field("upload", "upload-not-whole");
      return new Arrived(
          Objects.requireNonNullElse(info.getFileName(), ""),
          tus.getUploadedBytes(address, owner(by)));
    } catch (TusException e) {
      throw Problem.field("upload", "no-such-upload");
    } catch (OverlappingFileLockException e) {
      throw Problem.conflict("upload-is-under-way");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } finally {
      taking.readLock().unlock();
    }
  }

  /** Lets go of it, once it is kept. */
  void forget(PersonId by, String upload) {
    taking.readLock().lock();
    try {
      tus.deleteUpload(ADDRESS + "/" + upload, owner(by));
    } catch (TusException | IOException | OverlappingFileLockException e) {
      // It goes by itself after a day.
    } finally {
      taking.readLock().unlock();
    }
  }

  /**
   * Takes away what was begun and never ended, unless something is coming in just now: who sends
   * never waits for this, and what is left goes the next night.
   */
  void cleanUp() throws IOException {
    if (!taking.writeLock().tryLock()) return;
    try {
      tus.cleanup();
    } catch (OverlappingFileLockException e) {
      // Another piece is coming in at another server.
    } finally {
      taking.writeLock().unlock();
    }
  }

  private static String owner(PersonId by) {
    return by.toString();
  }
}
