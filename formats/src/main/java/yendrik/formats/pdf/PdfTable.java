package yendrik.formats.pdf;

import com.openhtmltopdf.extend.FSSupplier;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jsoup.helper.W3CDom;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import yendrik.core.Refusal;
import yendrik.formats.table.Cell;
import yendrik.formats.table.Table;
import yendrik.formats.table.TableFormat;

/**
 * A table as a PDF file (ISO 32000) on A4 paper, broad side below. The heading stands on each page;
 * a table of more columns than fit goes on in another one below, with its first column again. It is
 * made as a whole when it is closed, since pages are counted.
 */
public final class PdfTable implements Table {
  /** The format. */
  public static final TableFormat FORMAT =
      new TableFormat("pdf", "PDF", "application/pdf", PdfTable::new);

  /** How many columns stand beside the first one. */
  private static final int BESIDE = 11;

  /** What is laid out at once is held in memory as a whole. */
  private static final int MOST_CELLS = 60_000;

  private static final String STYLE =
      """
      @page { size: A4 landscape; margin: 14mm 12mm 16mm;
        @bottom-right { content: counter(page) ' / ' counter(pages); font: 8pt 'Text', 'More'; color: #555 } }
      body { font: 8.5pt 'Text', 'More'; color: #17212b; margin: 0 }
      h1 { font-size: 14pt; margin: 0 0 3mm }
      table { -fs-table-paginate: paginate; width: 100%; border-collapse: collapse;
        margin-bottom: 6mm }
      tr { page-break-inside: avoid }
      th { text-align: left; vertical-align: bottom; border-bottom: 1pt solid #17212b }
      td { border-bottom: 0.4pt solid #c8cdd2; vertical-align: top }
      th, td { padding: 1.1mm 4mm 1.1mm 0; word-wrap: break-word }
      .number { text-align: right }
      """;

  static {
    XRLog.setLoggingEnabled(false);
  }

  private final OutputStream out;
  private final String title;
  private int cells;
  private final List<List<Cell>> rows = new ArrayList<>();
  private final DecimalFormat number =
      new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT));

  private PdfTable(OutputStream out, String title) {
    this.out = out;
    this.title = title;
  }

  /**
   * @throws Refusal if the table becomes too long to be laid out; then no file is written
   */
  @Override
  public void row(List<Cell> cells) {
    this.cells += cells.size();
    if (this.cells > MOST_CELLS) throw new Refusal("too-long-for-paper", "most", MOST_CELLS);
    rows.add(List.copyOf(cells));
  }

  @Override
  public void close() throws IOException {
    if (cells > MOST_CELLS) return;
    var builder = new PdfRendererBuilder();
    builder.useFastMode();
    builder.withW3cDocument(new W3CDom().fromJsoup(page()), "");
    // nothing is fetched, whatever a cell says
    builder.useExternalResourceAccessControl(
        (_, _) -> false, ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
    builder.useExternalResourceAccessControl(
        (_, _) -> false, ExternalResourceControlPriority.RUN_AFTER_RESOLVING_URI);
    builder.useFont(font("text.ttf"), "Text", 400, FontStyle.NORMAL, /* subset= */ true);
    builder.useFont(font("text-bold.ttf"), "Text", 700, FontStyle.NORMAL, /* subset= */ true);
    // names in letters that the first one does not have
    builder.useFont(font("more.ttf"), "More", 400, FontStyle.NORMAL, /* subset= */ true);
    builder.useFont(font("more.ttf"), "More", 700, FontStyle.NORMAL, /* subset= */ true);
    builder.toStream(out);
    builder.run();
  }

  private static FSSupplier<InputStream> font(String name) {
    return () -> PdfTable.class.getResourceAsStream(name);
  }

  private Document page() {
    Document page = Document.createShell("");
    page.title(title);
    page.head().appendElement("style").text(STYLE);
    page.body().appendElement("h1").text(title);
    int columns = rows.stream().mapToInt(List::size).max().orElse(0);
    int from = 1;
    do {
      table(page.body(), from, Math.min(columns, from + BESIDE));
      from += BESIDE;
    } while (from < columns);
    return page;
  }

  private void table(Element body, int from, int to) {
    if (rows.isEmpty()) return;
    Element table = body.appendElement("table");
    Element heads = line(table.appendElement("thead"), "th", rows.getFirst(), from, to);
    // what is said of numbers stands over them
    if (rows.size() > 1)
      for (int c = from; c < to; c++)
        if (c < rows.get(1).size() && rows.get(1).get(c) instanceof Cell.Number)
          heads.child(c - from + 1).addClass("number");
    Element lines = table.appendElement("tbody");
    for (List<Cell> row : rows.subList(1, rows.size())) line(lines, "td", row, from, to);
  }

  private Element line(Element part, String tag, List<Cell> cells, int from, int to) {
    Element row = part.appendElement("tr");
    if (!cells.isEmpty()) cell(row.appendElement(tag), cells.getFirst());
    for (int c = from; c < to; c++)
      cell(row.appendElement(tag), c < cells.size() ? cells.get(c) : Cell.NOTHING);
    return row;
  }

  private void cell(Element at, Cell cell) {
    switch (cell) {
      case Cell.Number(double value) -> at.addClass("number").text(number.format(value));
      case Cell.Text(String text) -> at.text(text);
    }
  }
}
