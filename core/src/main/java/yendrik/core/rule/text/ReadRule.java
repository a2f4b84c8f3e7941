package yendrik.core.rule.text;

import yendrik.core.rule.Condition;

/** What came of reading a text as a rule. */
public sealed interface ReadRule {
  /** The rule that it is. */
  record Sound(Condition rule) implements ReadRule {}

  /** It is none, for this reason; of several the first is told. */
  record Faulty(TextFault fault) implements ReadRule {}
}
