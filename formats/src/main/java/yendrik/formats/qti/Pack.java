package yendrik.formats.qti;

import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import yendrik.core.words.Phrase;
import yendrik.formats.refused.Unreadable;

/** The files of a package by their paths. Nothing of it is ever written anywhere. */
final class Pack {
  /** The most files that a package may have. */
  static final int MOST_FILES = 5_000;

  /** The most that they may come to, in bytes, whatever they were packed to. */
  static final long MOST_BYTES = 64L << 20;

  /** The most that one file of XML may have: read, it takes many times that. */
  static final int MOST_XML = 4 << 20;

  private final Map<String, byte[]> files;

  private Pack(Map<String, byte[]> files) {
    this.files = files;
  }

  /** One file alone. */
  static Pack of(String path, byte[] content) {
    return new Pack(Map.of(path, content));
  }

  /**
   * Reads a zip file.
   *
   * @throws Unreadable if it is none, climbs out of itself, or is too large once unpacked
   */
  static Pack read(InputStream zipped) throws IOException {
    Map<String, byte[]> files = new HashMap<>();
    long left = MOST_BYTES;
    int seen = 0;
    try (var zip = new ZipInputStream(zipped)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        if (++seen > MOST_FILES) throw refused("too-many-files", "most", MOST_FILES);
        String name = entry.getName();
        if (climbs(name)) throw refused("climbs", "name", name);
        byte[] content = zip.readNBytes((int) left + 1);
        left -= content.length;
        if (left < 0) throw refused("too-large", "most", MOST_BYTES >> 20);
        if (!entry.isDirectory() && files.put(name, content) != null)
          throw refused("twice", "name", name);
      }
    } catch (ZipException | EOFException | IllegalArgumentException e) {
      throw refused("broken-zip");
    }
    if (files.isEmpty()) throw refused("no-zip");
    return new Pack(files);
  }

  private static boolean climbs(String name) {
    return name.isBlank()
        || name.startsWith("/")
        || name.contains("\\")
        || name.contains(":")
        || List.of(name.split("/", -1)).contains("..");
  }

  Optional<byte[]> file(String path) {
    return Optional.ofNullable(files.get(path));
  }

  /** A file as XML. */
  Optional<Tag> xml(String path) {
    return file(path)
        .map(content -> {
          if (content.length > MOST_XML)
            throw refused("xml-too-large", "name", path, "most", MOST_XML >> 20);
          return Tag.read(new ByteArrayInputStream(content), path);
        });
  }

  static Unreadable refused(String key, Object... with) {
    return new Unreadable(List.of(Phrase.of("qti." + key, with)));
  }
}
