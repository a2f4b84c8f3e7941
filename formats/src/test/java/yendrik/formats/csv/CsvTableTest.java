package yendrik.formats.csv;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class CsvTableTest {
  @Test
  void commas_quotes_and_line_breaks_survive() {
    var table = new CsvTable();
    table.row("Wren, Castellane", "says \"hi\"");
    table.cell("two\nlines");
    assertThat(table.text())
        .isEqualTo("\uFEFF\"Wren, Castellane\",\"says \"\"hi\"\"\",\"two\nlines\"\r\n");
  }

  @Test
  void what_looks_like_a_formula_is_made_harmless() {
    var table = new CsvTable();
    table.row("=1+1", "@x", "-5", "fine");
    assertThat(table.text()).isEqualTo("\uFEFF'=1+1,'@x,'-5,fine\r\n");
  }
}
