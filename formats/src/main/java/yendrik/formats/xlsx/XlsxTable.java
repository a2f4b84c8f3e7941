package yendrik.formats.xlsx;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import yendrik.formats.table.Cell;
import yendrik.formats.table.Table;
import yendrik.formats.table.TableFormat;

/**
 * A table as an Office Open XML workbook (ISO/IEC 29500) of one sheet. The first row is a heading
 * that stays in sight. Cells are texts or numbers, never formulas.
 */
public final class XlsxTable implements Table {
  /** The format. */
  public static final TableFormat FORMAT =
      new TableFormat(
          "xlsx",
          "XLSX",
          "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
          XlsxTable::new);

  private static final int LONGEST_NAME = 31;
  private static final int KEPT_ROWS = 500;
  private final Workbook workbook;
  private final Worksheet sheet;
  private int rows;

  /**
   * Begins a file.
   *
   * @param name of the sheet; characters that a sheet's name cannot have become spaces
   * @throws IOException if it cannot be written
   */
  public XlsxTable(OutputStream out, String name) throws IOException {
    String plain = name.replaceAll("[\\[\\]:*?/\\\\]", " ").strip();
    workbook = new Workbook(out, "Yendrik", "1.0");
    sheet =
        workbook.newWorksheet(
            plain.isEmpty() ? "Sheet" : plain.substring(0, Math.min(LONGEST_NAME, plain.length())));
    sheet.freezePane(1, 1);
  }

  @Override
  public void row(List<Cell> cells) throws IOException {
    for (int c = 0; c < cells.size(); c++) {
      switch (cells.get(c)) {
        case Cell.Number(double number) -> sheet.value(rows, c, number);
        case Cell.Text(String text) -> sheet.value(rows, c, text);
      }
      if (rows == 0) sheet.style(0, c).bold().set();
    }
    rows++;
    if (rows % KEPT_ROWS == 0) sheet.flush();
  }

  @Override
  public void close() throws IOException {
    workbook.finish();
  }
}
