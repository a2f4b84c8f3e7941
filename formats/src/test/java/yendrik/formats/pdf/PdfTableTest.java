package yendrik.formats.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import yendrik.core.Refusal;
import yendrik.formats.table.Cell;
import yendrik.formats.table.Table;

class PdfTableTest {
  private static final List<Cell> HEAD =
      List.of(Cell.of("Learner"), Cell.of("Done"), Cell.of("Brakes"));

  private static PDDocument written(List<List<Cell>> rows) throws IOException {
    var out = new ByteArrayOutputStream();
    try (Table table = PdfTable.FORMAT.opener().open(out, "Completion")) {
      for (List<Cell> row : rows) table.row(row);
    }
    return Loader.loadPDF(out.toByteArray());
  }

  private static String text(PDDocument pdf, int page) throws IOException {
    var stripper = new PDFTextStripper();
    stripper.setStartPage(page);
    stripper.setEndPage(page);
    return stripper.getText(pdf);
  }

  @Test
  void words_and_numbers_are_read_as_they_are_written() throws IOException {
    var row = List.of(Cell.of("Łucja <b>Ødegård</b> & Co"), Cell.of(62.125), Cell.of("5 of 9"));
    try (PDDocument pdf = written(List.of(HEAD, row))) {
      assertThat(text(pdf, 1))
          .contains(
              "Completion", "Learner", "Łucja <b>Ødegård</b> & Co", "62.12", "5 of 9", "1 / 1");
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Completion");
    }
  }

  @Test
  void names_in_other_letters_are_whole() throws IOException {
    var row = List.of(Cell.of("Ольга Ξένη"), Cell.of(1), Cell.of("5 ≥ 3"));
    try (PDDocument pdf = written(List.of(HEAD, row))) {
      assertThat(text(pdf, 1)).contains("Ольга Ξένη", "5 ≥ 3");
    }
  }

  @Test
  void the_heading_stands_on_each_page_and_no_row_is_lost() throws IOException {
    List<List<Cell>> rows = new java.util.ArrayList<>(List.of(HEAD));
    for (int n = 1; n <= 120; n++)
      rows.add(List.of(Cell.of("Learner no. " + n), Cell.of(n), Cell.of("")));
    try (PDDocument pdf = written(rows)) {
      assertThat(pdf.getNumberOfPages()).isGreaterThan(2);
      var all = new StringBuilder();
      for (int p = 1; p <= pdf.getNumberOfPages(); p++) {
        assertThat(text(pdf, p)).contains("Brakes");
        all.append(text(pdf, p));
      }
      for (int n = 1; n <= 120; n++) assertThat(all).contains("Learner no. " + n + " ");
    }
  }

  @Test
  void more_columns_than_fit_go_on_below_with_the_first_one_again() throws IOException {
    List<Cell> heads = IntStream.range(0, 22).mapToObj(n -> Cell.of("Head" + n)).toList();
    List<Cell> row = IntStream.range(0, 22).mapToObj(n -> Cell.of("Cell" + n)).toList();
    try (PDDocument pdf = written(List.of(heads, row))) {
      String text = new PDFTextStripper().getText(pdf);
      for (int n = 0; n < 22; n++) assertThat(text).contains("Head" + n, "Cell" + n);
      assertThat(text.split("Cell0\\b", -1)).as("once in each of two tables").hasSize(3);
    }
  }

  @Test
  void a_table_that_is_too_long_is_refused_and_nothing_of_it_is_written() {
    var out = new ByteArrayOutputStream();
    List<Cell> row = IntStream.range(0, 30_000).mapToObj(Cell::of).toList();
    assertThatThrownBy(
            () -> {
              try (Table table = PdfTable.FORMAT.opener().open(out, "Long")) {
                for (int n = 0; n < 3; n++) table.row(row);
              }
            })
        .isInstanceOf(Refusal.class);
    assertThat(out.size()).isZero();
  }

  @Test
  void a_table_of_nothing_is_a_page_with_its_title() throws IOException {
    try (PDDocument pdf = written(List.of())) {
      assertThat(text(pdf, 1)).contains("Completion");
    }
  }
}
