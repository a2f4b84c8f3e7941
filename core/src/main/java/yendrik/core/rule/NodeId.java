package yendrik.core.rule;

import yendrik.core.Refusal;

/**
 * Names a node of a rule for as long as the rule lives, so that faults and verdicts can point at
 * it.
 */
public record NodeId(String value) {
  public NodeId {
    if (value.isBlank() || value.length() > 40) throw new Refusal("node-id-length", "id", value);
    if (value.chars().anyMatch(Character::isISOControl)) throw new Refusal("node-id-characters");
  }
}
