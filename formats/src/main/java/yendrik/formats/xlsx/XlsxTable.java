package yendrik.formats.xlsx;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import yendrik.formats.table.Table;

/**
 * A table as an Office Open XML workbook (ISO/IEC 29500) of one sheet. The first row is a heading
 * that stays in sight. Cells are texts or numbers, never formulas.
 */
public final class XlsxTable implements Table {
  private static final int LONGEST_NAME = 31;
  private final String name;
  private final List<List<Object>> rows = new ArrayList<>();

  /**
   * @param name of the sheet; characters that a sheet's name cannot have become spaces
   */
  public XlsxTable(String name) {
    String plain = name.replaceAll("[\\[\\]:*?/\\\\]", " ").strip();
    this.name =
        plain.isEmpty() ? "Sheet" : plain.substring(0, Math.min(LONGEST_NAME, plain.length()));
  }

  @Override
  public void row(String... cells) {
    rows.add(new ArrayList<>());
    for (String cell : cells) cell(cell);
  }

  @Override
  public void cell(String text) {
    rows.getLast().add(text);
  }

  @Override
  public void cell(double number) {
    rows.getLast().add(number);
  }

  /** The whole file. */
  public byte[] bytes() {
    var out = new ByteArrayOutputStream();
    try (var workbook = new Workbook(out, "Yendrik", "1.0")) {
      Worksheet sheet = workbook.newWorksheet(name);
      for (int r = 0; r < rows.size(); r++)
        for (int c = 0; c < rows.get(r).size(); c++) {
          switch (rows.get(r).get(c)) {
            case Double number -> sheet.value(r, c, number);
            case Object text -> sheet.value(r, c, text.toString());
          }
          if (r == 0) sheet.style(0, c).bold().set();
        }
      sheet.freezePane(1, 1);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
