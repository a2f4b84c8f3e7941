package yendrik.core.rule.text;

import java.util.Arrays;
import java.util.List;
import yendrik.core.rule.Leaf;

/**
 * How one kind of question is written: words, and in braces what the question holds under that
 * name. What is optional and is not in the form is nothing there.
 *
 * @param pieces in their order; a piece in braces is a slot
 */
record Form(Class<? extends Leaf> leaf, List<String> pieces) {
  static Form of(Class<? extends Leaf> leaf, String written) {
    return new Form(leaf, Arrays.asList(written.split(" ")));
  }

  static boolean isSlot(String piece) {
    return piece.startsWith("{");
  }

  static String slot(String piece) {
    return piece.substring(1, piece.length() - 1);
  }

  boolean has(String slot) {
    return pieces.contains("{" + slot + "}");
  }

  @Override
  public String toString() {
    return String.join(" ", pieces).replace("{", "‹").replace("}", "›");
  }
}
