package yendrik.formats.table;

/** A table that is written row by row, whatever the format of the file. */
public interface Table {
  /** Begins a row with some texts. */
  void row(String... cells);

  /** Adds a text to the newest row. */
  void cell(String text);

  /** Adds a number to the newest row; formats of text write at most two decimals. */
  void cell(double number);
}
