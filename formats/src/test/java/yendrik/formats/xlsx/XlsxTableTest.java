package yendrik.formats.xlsx;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.List;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;

class XlsxTableTest {
  private static List<Row> read(XlsxTable table) throws IOException {
    try (var workbook = new ReadableWorkbook(new ByteArrayInputStream(table.bytes()))) {
      return workbook.getFirstSheet().read();
    }
  }

  @Test
  void texts_and_numbers_come_back_as_they_were() throws IOException {
    var table = new XlsxTable("Mastery");
    table.row("Learner", "BRAKE");
    table.row("Wren, “Castellane”");
    table.cell(3.5);
    List<Row> rows = read(table);
    assertThat(rows).hasSize(2);
    assertThat(rows.get(1).getCellText(0)).isEqualTo("Wren, “Castellane”");
    assertThat(rows.get(1).getCellAsNumber(1).orElseThrow().doubleValue()).isEqualTo(3.5);
  }

  @Test
  void what_looks_like_a_formula_stays_a_text() throws IOException {
    var table = new XlsxTable("Mastery");
    table.row("=1+1", "@x", "-5");
    assertThat(read(table).getFirst().stream())
        .allSatisfy(cell -> assertThat(cell.getType()).isEqualTo(CellType.STRING));
  }

  @Test
  void a_sheet_takes_any_name() throws IOException {
    for (String name : List.of("a/b:c*[d]?\\e", "", "x".repeat(80))) {
      var table = new XlsxTable(name);
      table.row("cell");
      assertThat(read(table)).hasSize(1);
    }
  }
}
