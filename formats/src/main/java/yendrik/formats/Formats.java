package yendrik.formats;

import java.util.List;
import java.util.Optional;
import yendrik.formats.csv.CsvTable;
import yendrik.formats.framework.FrameworkCase;
import yendrik.formats.framework.FrameworkCsv;
import yendrik.formats.framework.FrameworkFormat;
import yendrik.formats.pdf.PdfTable;
import yendrik.formats.table.TableFormat;
import yendrik.formats.xlsx.XlsxTable;

/** Every format in which something is read or written, in the order in which they are offered. */
public final class Formats {
  private Formats() {}

  /** Of tables. */
  public static final List<TableFormat> TABLES =
      List.of(CsvTable.FORMAT, XlsxTable.FORMAT, PdfTable.FORMAT);

  /** Of frameworks of outcomes. */
  public static final List<FrameworkFormat> FRAMEWORKS =
      List.of(FrameworkCase.FORMAT, FrameworkCsv.FORMAT);

  /** The format of frameworks that has a name. */
  public static Optional<FrameworkFormat> framework(String name) {
    return FRAMEWORKS.stream().filter(f -> f.name().equals(name)).findFirst();
  }

  /** The format of tables that has a name. */
  public static Optional<TableFormat> table(String name) {
    return TABLES.stream().filter(f -> f.name().equals(name)).findFirst();
  }
}
