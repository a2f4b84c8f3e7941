package yendrik.formats.xlsx;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Collections;
import java.util.List;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import yendrik.formats.table.Cell;

class XlsxTableTest {
  private static List<Row> read(String name, List<List<Cell>> rows) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var table = new XlsxTable(out, name)) {
      for (List<Cell> row : rows) table.row(row);
    }
    try (var workbook = new ReadableWorkbook(new ByteArrayInputStream(out.toByteArray()))) {
      return workbook.getFirstSheet().read();
    }
  }

  private static List<Cell> texts(String... texts) {
    return List.of(texts).stream().map(Cell::of).toList();
  }

  @Test
  void texts_and_numbers_come_back_as_they_were() throws IOException {
    List<Row> rows =
        read(
            "Mastery",
            List.of(
                texts("Learner", "BRAKE"), List.of(Cell.of("Wren, “Castellane”"), Cell.of(3.5))));
    assertThat(rows).hasSize(2);
    assertThat(rows.get(1).getCellText(0)).isEqualTo("Wren, “Castellane”");
    assertThat(rows.get(1).getCellAsNumber(1).orElseThrow().doubleValue()).isEqualTo(3.5);
  }

  @Test
  void what_looks_like_a_formula_stays_a_text() throws IOException {
    assertThat(read("Mastery", List.of(texts("=1+1", "@x", "-5"))).getFirst().stream())
        .allSatisfy(cell -> assertThat(cell.getType()).isEqualTo(CellType.STRING));
  }

  @Test
  void a_sheet_takes_any_name() throws IOException {
    for (String name : List.of("a/b:c*[d]?\\e", "", "x".repeat(80)))
      assertThat(read(name, List.of(texts("cell")))).hasSize(1);
  }

  @Test
  void many_rows_are_written_while_they_are_made() throws IOException {
    List<Row> rows = read("Grades", Collections.nCopies(1_201, texts("Learner", "BRAKE")));
    assertThat(rows).hasSize(1_201);
    assertThat(rows.getLast().getCellText(1)).isEqualTo("BRAKE");
  }
}
