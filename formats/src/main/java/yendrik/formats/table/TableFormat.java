package yendrik.formats.table;

import java.io.IOException;
import java.io.OutputStream;

/**
 * A format in which tables are written.
 *
 * @param name in addresses and at the end of files: "csv"
 * @param title as people call it: "CSV"
 * @param mediaType RFC 6838
 */
public record TableFormat(String name, String title, String mediaType, Opener opener) {
  /** Begins a file. */
  @FunctionalInterface
  public interface Opener {
    /**
     * Begins a table in a stream.
     *
     * @param title what the table is about, where the format has a place for that
     * @throws IOException if it cannot be written
     */
    Table open(OutputStream out, String title) throws IOException;
  }
}
