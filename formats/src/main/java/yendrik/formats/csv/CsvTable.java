package yendrik.formats.csv;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import yendrik.formats.table.Cell;
import yendrik.formats.table.Table;
import yendrik.formats.table.TableFormat;

/**
 * A table as CSV (RFC 4180), in UTF-8 with a byte order mark so that spreadsheets read it right.
 * Cells that a spreadsheet would take for a formula are made harmless with a leading apostrophe.
 */
public final class CsvTable implements Table {
  /** The format. */
  public static final TableFormat FORMAT =
      new TableFormat("csv", "CSV", "text/csv;charset=UTF-8", (out, _) -> new CsvTable(out));

  private static final char BYTE_ORDER_MARK = '\uFEFF';
  private final CSVPrinter printer;

  /**
   * Begins a file.
   *
   * @throws IOException if it cannot be written
   */
  public CsvTable(OutputStream out) throws IOException {
    Writer text = new OutputStreamWriter(out, StandardCharsets.UTF_8);
    text.append(BYTE_ORDER_MARK);
    printer = new CSVPrinter(text, CSVFormat.RFC4180);
  }

  @Override
  public void row(List<Cell> cells) throws IOException {
    printer.printRecord(cells.stream().map(CsvTable::text).toList());
  }

  private static String text(Cell cell) {
    return switch (cell) {
      case Cell.Text(String text) -> Harmless.written(text);
      case Cell.Number(double number) ->
          BigDecimal.valueOf(number)
              .setScale(2, RoundingMode.HALF_UP)
              .stripTrailingZeros()
              .toPlainString();
    };
  }

  @Override
  public void close() throws IOException {
    printer.flush();
  }
}
