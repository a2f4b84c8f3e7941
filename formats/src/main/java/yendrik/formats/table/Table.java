package yendrik.formats.table;

import java.io.Closeable;
import java.io.IOException;
import java.util.List;

/**
 * A table that is written row by row, whatever the format of the file. The first row is the
 * heading. The file is whole when it is closed; where it goes to is left open.
 */
public interface Table extends Closeable {
  /**
   * Adds a row.
   *
   * @throws IOException if it cannot be written
   */
  void row(List<Cell> cells) throws IOException;
}
