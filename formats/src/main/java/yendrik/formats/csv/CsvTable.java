package yendrik.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import yendrik.formats.table.Table;

/**
 * A table as CSV (RFC 4180), in UTF-8 with a byte order mark so that spreadsheets read it right.
 * Cells that a spreadsheet would take for a formula are made harmless with a leading apostrophe.
 */
public final class CsvTable implements Table {
  private static final char BYTE_ORDER_MARK = '\uFEFF';
  private final List<List<String>> rows = new ArrayList<>();

  @Override
  public void row(String... cells) {
    rows.add(new ArrayList<>());
    for (String cell : cells) cell(cell);
  }

  @Override
  public void cell(String text) {
    rows.getLast().add(harmless(text));
  }

  @Override
  public void cell(double number) {
    rows.getLast()
        .add(
            BigDecimal.valueOf(number)
                .setScale(2, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString());
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
