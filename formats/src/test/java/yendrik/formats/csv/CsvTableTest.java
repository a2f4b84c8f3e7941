package yendrik.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import yendrik.formats.table.Cell;

class CsvTableTest {
  private static String written(List<Cell> row) throws IOException {
    var out = new ByteArrayOutputStream();
    try (var table = new CsvTable(out)) {
      table.row(row);
    }
    return out.toString(StandardCharsets.UTF_8);
  }

  @Test
  void commas_quotes_and_line_breaks_survive() throws IOException {
    var row = List.of("Wren, Castellane", "says \"hi\"", "two\nlines").stream().map(Cell::of);
    assertThat(written(row.toList()))
        .isEqualTo("\uFEFF\"Wren, Castellane\",\"says \"\"hi\"\"\",\"two\nlines\"\r\n");
  }

  @Test
  void what_looks_like_a_formula_is_made_harmless() throws IOException {
    var row = List.of("=1+1", "@x", "-5", "fine").stream().map(Cell::of);
    assertThat(written(row.toList())).isEqualTo("\uFEFF'=1+1,'@x,'-5,fine\r\n");
  }

  @Test
  void numbers_have_at_most_two_decimals_and_are_no_formulas() throws IOException {
    assertThat(written(List.of(Cell.of(66.6666), Cell.of(-5), Cell.of(100), Cell.NOTHING)))
        .isEqualTo("\uFEFF66.67,-5,100,\r\n");
  }
}
