package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.rule.Condition;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Pointless;
import yendrik.core.rule.text.RuleWriter;
import yendrik.core.rule.words.Wording;
import yendrik.formats.json.CoreJson;

/**
 * A rule as people read it.
 *
 * @param line the whole rule in one line
 * @param text the rule as text that can be read back
 */
@Schema(name = "RuleView")
public record RuleView(String line, String text, RuleNode root) {

  /**
   * One part of a rule.
   *
   * @param is "ask", "all", "any", "at-least", "after" or "none"
   * @param n of <em>at least n of</em>, the days of <em>days after</em>, otherwise 0
   * @param leaf the question as it is stored; empty for a joint
   * @param beside the part of its joint beside which it makes no difference
   */
  public record RuleNode(
      String id,
      String is,
      int n,
      List<RuleNode> parts,
      Map<String, Object> leaf,
      String subject,
      String says,
      Optional<String> beside) {}

  static RuleView of(Condition rule, RuleAt at, Wording wording) {
    return new RuleView(
        wording.line(rule, at),
        RuleWriter.write(rule, wording.design(), at),
        node(rule, at, wording, Pointless.in(rule, wording.design())));
  }

  static Optional<RuleView> of(Optional<Condition> rule, RuleAt at, Wording wording) {
    return rule.map(r -> of(r, at, wording));
  }

  private static RuleNode node(
      Condition node, RuleAt at, Wording wording, Map<NodeId, NodeId> pointless) {
    List<RuleNode> parts = node.parts().stream().map(p -> node(p, at, wording, pointless)).toList();
    Optional<String> beside = Optional.ofNullable(pointless.get(node.id())).map(NodeId::value);
    String id = node.id().value();
    String is = CoreJson.name(node.getClass());
    if (node instanceof Condition.Ask ask) {
      var words = wording.sentence(ask.leaf(), at);
      return new RuleNode(
          id, is, 0, parts, Json.map(ask.leaf()), words.subject(), words.says(), beside);
    }
    return new RuleNode(id, is, node.number(), parts, Map.of(), "", "", beside);
  }
}
