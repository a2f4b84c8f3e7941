package yendrik.formats.table;

import java.util.Optional;

/** A cell of a table. */
public sealed interface Cell {
  /** Nothing is there yet. */
  Cell NOTHING = new Text("");

  /** Words; never a formula, whatever they look like. */
  record Text(String text) implements Cell {}

  /** A number; formats of text write at most two decimals. */
  record Number(double number) implements Cell {}

  static Cell of(String text) {
    return new Text(text);
  }

  static Cell of(double number) {
    return new Number(number);
  }

  /** A number, or nothing. */
  static Cell of(Optional<Double> number) {
    return number.map(Cell::of).orElse(NOTHING);
  }
}
