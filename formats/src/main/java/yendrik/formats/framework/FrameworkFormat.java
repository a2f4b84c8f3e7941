package yendrik.formats.framework;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.time.Instant;
import yendrik.formats.refused.Unreadable;

/**
 * A format in which frameworks are read and written.
 *
 * @param name in addresses: "case"
 * @param title as people call it: "CASE 1.1"
 * @param mediaType RFC 6838
 * @param ending of files: "case.json"
 */
public record FrameworkFormat(
    String name, String title, String mediaType, String ending, Reader reader, Writer writer) {
  /** Reads a file. */
  @FunctionalInterface
  public interface Reader {
    /**
     * Reads a whole file.
     *
     * @throws Unreadable with every fault by its place
     * @throws IOException if the stream breaks
     */
    Framework read(InputStream in) throws IOException;
  }

  /** Writes a file. */
  @FunctionalInterface
  public interface Writer {
    /**
     * Writes a whole file.
     *
     * @throws IOException if the stream breaks
     */
    void write(Framework framework, Origin origin, OutputStream out) throws IOException;
  }

  /**
   * Where a framework comes from.
   *
   * @param address of this installation
   * @param changed when the framework was last changed
   */
  public record Origin(String address, Instant changed) {}
}
