package yendrik.core.rule.plan;

import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;

/** Where a rule asks since when a condition has been met for the first time. */
public record FirstMet(RuleAt at, NodeId node) {}
