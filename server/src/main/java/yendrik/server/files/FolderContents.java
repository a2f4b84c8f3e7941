package yendrik.server.files;

import static java.nio.file.StandardCopyOption.ATOMIC_MOVE;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Component;
import org.springframework.util.StreamUtils;

/** Contents in a folder that all servers share. */
@Component
class FolderContents implements Contents {
  private final Path places;
  private final Path incoming;

  FolderContents(@Value("${yendrik.files}") Path folder) throws IOException {
    places = Files.createDirectories(folder.resolve("contents")).toAbsolutePath();
    incoming = Files.createDirectories(folder.resolve("incoming")).toAbsolutePath();
  }

  /** Two letters a folder, so that none grows without end. */
  private Path place(String hash) {
    return places.resolve(hash.substring(0, 2)).resolve(hash);
  }

  @Override
  public Arrived take(InputStream content, long most) throws IOException, TooMuch {
    Path file = Files.createTempFile(incoming, "", "");
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      long bytes;
      try (var out = new DigestOutputStream(Files.newOutputStream(file), digest)) {
        bytes = StreamUtils.copyRange(content, out, 0, most);
      }
      if (bytes > most) throw new TooMuch();
      return new Arrived(file, HexFormat.of().formatHex(digest.digest()), bytes);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    } catch (IOException | RuntimeException | TooMuch e) {
      Files.deleteIfExists(file);
      throw e;
    }
  }

  @Override
  public void put(Arrived arrived) throws IOException {
    Path place = place(arrived.hash());
    if (Files.exists(place)) {
      // Nobody who sweeps takes it for something that was left over.
      Files.setLastModifiedTime(place, Files.getLastModifiedTime(arrived.file()));
      return;
    }
    Files.createDirectories(place.getParent());
    Files.move(arrived.file(), place, ATOMIC_MOVE);
  }

  @Override
  public void forget(Arrived arrived) throws IOException {
    Files.deleteIfExists(arrived.file());
  }

  @Override
  public Resource read(String hash) {
    return new FileSystemResource(place(hash));
  }

  @Override
  public void remove(String hash) throws IOException {
    Files.deleteIfExists(place(hash));
  }

  @Override
  public int sweep(Instant before, Predicate<String> known) throws IOException {
    int swept = 0;
    for (Path left : in(incoming)) if (sweep(left, before)) swept++;
    for (Path letters : in(places))
      for (Path content : in(letters))
        if (!known.test(content.getFileName().toString()) && sweep(content, before)) swept++;
    return swept;
  }

  private static List<Path> in(Path folder) throws IOException {
    try (Stream<Path> all = Files.list(folder)) {
      return all.toList();
    }
  }

  private static boolean sweep(Path file, Instant before) throws IOException {
    try {
      boolean old = Files.getLastModifiedTime(file).toInstant().isBefore(before);
      return old && Files.deleteIfExists(file);
    } catch (NoSuchFileException e) {
      return false;
    }
  }
}
