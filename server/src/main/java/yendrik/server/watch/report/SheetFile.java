package yendrik.server.watch.report;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import org.springframework.http.HttpHeaders;
import yendrik.formats.Formats;
import yendrik.formats.table.Cell;
import yendrik.formats.table.Table;
import yendrik.formats.table.TableFormat;
import yendrik.server.http.Problem;

/** Writes a table as a file, while its rows are made. */
public final class SheetFile {
  private SheetFile() {}

  /**
   * @param format as it is named: "csv"
   * @throws Problem if there is no such format
   */
  public static TableFormat format(String format) {
    return Formats.table(format).orElseThrow(() -> Problem.notFound("format"));
  }

  /**
   * @param name of the file, without its ending: plain letters
   */
  public static void write(
      HttpServletResponse response,
      TableFormat format,
      String name,
      String title,
      Report.Sheet sheet)
      throws IOException {
    response.setContentType(format.mediaType());
    response.setHeader(
        HttpHeaders.CONTENT_DISPOSITION,
        "attachment; filename=\"" + name + "." + format.name() + "\"");
    Table table = format.opener().open(response.getOutputStream(), title);
    table.row(sheet.heads().stream().map(Cell::of).toList());
    for (Iterator<List<Cell>> rows = sheet.rows().iterator(); rows.hasNext(); )
      table.row(rows.next());
    // only a whole table is closed: half of one must not look like all of it
    table.close();
  }
}
