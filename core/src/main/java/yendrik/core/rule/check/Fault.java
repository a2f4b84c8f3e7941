package yendrik.core.rule.check;

import java.util.Map;
import java.util.Optional;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;

/**
 * Something wrong with a design, as data; the words for it are made elsewhere.
 *
 * @param node the part of the rule, empty when the whole rule or thing is meant
 * @param arguments what the words need, by name
 */
public record Fault(Code code, RuleAt place, Optional<NodeId> node, Map<String, String> arguments) {

  public Fault {
    arguments = Map.copyOf(arguments);
  }

  /** Every kind of fault. */
  public enum Code {
    /** The rule names a step that the course does not have; argument {@code id}. */
    UNKNOWN_STEP,
    /** The rule names a module that the course does not have; argument {@code id}. */
    UNKNOWN_MODULE,
    /** The rule names an outcome that the course does not have; argument {@code id}. */
    UNKNOWN_OUTCOME,
    /** The rule names a badge that the course does not have; argument {@code id}. */
    UNKNOWN_BADGE,
    /** The rule names a group that the course does not have; argument {@code id}. */
    UNKNOWN_GROUP,
    /** The rule names a session that the course does not have; argument {@code id}. */
    UNKNOWN_SESSION,
    /** The rule names a course that is not known here; argument {@code id}. */
    UNKNOWN_COURSE,
    /** The scale of the outcome has no such level; arguments {@code outcome}, {@code level}. */
    UNKNOWN_LEVEL,
    /** The step gives evidence of an outcome that the course does not have; argument {@code id}. */
    UNKNOWN_TIE,
    /** An outcome is made of one that the course does not have; argument {@code id}. */
    UNKNOWN_PART,
    /** An outcome is made of itself, at once or through others. */
    MADE_OF_ITSELF,
    /** An outcome is made of fewer parts than it asks for; arguments {@code n}, {@code parts}. */
    TOO_FEW_OUTCOMES,
    /** The step gives evidence of an outcome that is made of others; argument {@code outcome}. */
    TIE_TO_COMPOSED,
    /** A joint with nothing in it. */
    EMPTY_JOINT,
    /** <em>At least n of</em> fewer than n; arguments {@code n}, {@code parts}. */
    TOO_FEW_PARTS,
    /** Two nodes of the rule share an id; argument {@code id}. */
    DOUBLE_NODE,
    /** A signal in a rule other than <em>Flag when</em>. */
    SIGNAL_OUTSIDE_FLAG,
    /** Leaving is asked for by a rule other than the course's <em>Complete when</em>. */
    LEAVING_OUTSIDE_COMPLETE,
    /** The rule asks about the very thing that it decides. */
    ASKS_ITSELF
  }
}
