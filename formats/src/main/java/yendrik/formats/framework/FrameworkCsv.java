package yendrik.formats.framework;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import yendrik.core.outcome.Composition;
import yendrik.core.words.Phrase;
import yendrik.formats.csv.CsvTable;
import yendrik.formats.csv.Harmless;
import yendrik.formats.refused.Unreadable;
import yendrik.formats.table.Cell;

/**
 * A framework as CSV (RFC 4180) with a heading: {@code code} and {@code name}, and if there are any
 * {@code identifier} (a UUID), {@code description}, {@code group} (names from the outermost, a
 * slash between), {@code parts} (codes or identifiers, semicolons between) and {@code combine}
 * (all, at least 2, mean, lowest). Columns may stand in any order; others are passed over.
 */
public final class FrameworkCsv {
  /** The format. */
  public static final FrameworkFormat FORMAT =
      new FrameworkFormat(
          "csv",
          "CSV",
          "text/csv;charset=UTF-8",
          "csv",
          in -> read(new String(in.readAllBytes(), StandardCharsets.UTF_8)),
          (framework, _, out) -> out.write(write(framework).getBytes(StandardCharsets.UTF_8)));

  private FrameworkCsv() {}

  /** The whole file. */
  public static String write(Framework framework) {
    var out = new ByteArrayOutputStream();
    try (var table = new CsvTable(out)) {
      table.row(texts("identifier", "code", "name", "description", "group", "parts", "combine"));
      for (Framework.Item item : framework.items())
        table.row(
            texts(
                item.identifier().map(UUID::toString).orElse(""),
                item.code(),
                item.statement(),
                item.description(),
                String.join(" / ", item.group().orElse(List.of())),
                item.made().map(m -> String.join("; ", m.parts())).orElse(""),
                item.made().map(m -> Ways.name(m.how())).orElse("")));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString(StandardCharsets.UTF_8);
  }

  private static List<Cell> texts(String... texts) {
    return Arrays.stream(texts).map(Cell::of).toList();
  }

  /**
   * Reads a file.
   *
   * @throws Unreadable with every fault by row and column
   */
  public static Framework read(String text) {
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    var checks = new Checks();
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreEmptyLines(true)
            .setIgnoreHeaderCase(true)
            .setTrim(true)
            .setAllowMissingColumnNames(true)
            .get();
    try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
      List<String> columns =
          parser.getHeaderNames().stream().map(c -> c.toLowerCase(Locale.ROOT)).toList();
      for (String needed : List.of("code", "name"))
        if (!columns.contains(needed))
          checks.fault(Phrase.of("file.row", "n", 1), "no-column", "column", needed);
      checks.refuse();
      List<Framework.Item> items = new ArrayList<>();
      for (CSVRecord row : parser) items.add(item(row, checks));
      checks.refuse();
      return new Framework(new UUID(0, 0), "", byCode(items), List.of());
    } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
      checks.fault(Phrase.of("file.whole"), "no-csv", "why", String.valueOf(e.getMessage()));
      checks.refuse();
      throw new IllegalStateException(e);
    }
  }

  private static Framework.Item item(CSVRecord row, Checks checks) {
    Phrase where = Phrase.of("file.row", "n", row.getRecordNumber() + 1);
    List<String> parts =
        Arrays.stream(cell(row, "parts").split(";"))
            .map(String::strip)
            .filter(part -> !part.isEmpty())
            .toList();
    Composition.How how = checks.way(where, "combine", cell(row, "combine"));
    return new Framework.Item(
        checks.identifier(where, "identifier", cell(row, "identifier")),
        checks.code(where, "code", cell(row, "code")),
        checks.statement(where, "name", cell(row, "name")),
        checks.text(where, "description", cell(row, "description")),
        row.isMapped("group")
            ? Optional.of(Checks.group(List.of(cell(row, "group").split("/"))))
            : Optional.empty(),
        parts.isEmpty() ? Optional.empty() : Optional.of(new Framework.Made(how, parts)));
  }

  /** With parts by their codes where the file names them by identifiers. */
  private static List<Framework.Item> byCode(List<Framework.Item> items) {
    Map<String, String> codes = new HashMap<>();
    for (Framework.Item item : items)
      item.identifier().ifPresent(id -> codes.put(id.toString(), item.code()));
    return items.stream()
        .map(i ->
            new Framework.Item(
                i.identifier(),
                i.code(),
                i.statement(),
                i.description(),
                i.group(),
                i.made()
                    .map(m ->
                        new Framework.Made(
                            m.how(),
                            m.parts().stream().map(p -> codes.getOrDefault(p, p)).toList()))))
        .toList();
  }

  /** The cell, without the apostrophe that was put before what looks like a formula. */
  private static String cell(CSVRecord row, String column) {
    if (!row.isMapped(column) || !row.isSet(column)) return "";
    return Harmless.read(row.get(column));
  }
}
