package yendrik.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * A table as CSV (RFC 4180), in UTF-8 with a byte order mark so that spreadsheets read it right.
 * Cells that a spreadsheet would take for a formula are made harmless with a leading apostrophe.
 */
public final class CsvTable {
  private static final char BYTE_ORDER_MARK = '\uFEFF';
  private final List<List<String>> rows = new ArrayList<>();

  /** Begins a row. */
  public void row(String... cells) {
    rows.add(new ArrayList<>());
    for (String cell : cells) cell(cell);
  }

  /** Adds a cell to the newest row. */
  public void cell(String text) {
    rows.getLast().add(harmless(text));
  }

  private static String harmless(String text) {
    return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
  }

  /** The whole file. */
  public String text() {
    var text = new StringBuilder().append(BYTE_ORDER_MARK);
    try (var printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecords(rows);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }
}
