package yendrik.server.design;

import java.util.HashMap;
import java.util.Map;
import org.jooq.JSONB;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.AttendanceStatus;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.formats.json.CoreJson;

/** Reads publications. What is in a step is read as its kind says. */
final class Documents {
  private static final JsonMapper MAPPER = CoreJson.mapper();
  private static final String CONTENTS = "contents";

  /** Publications of before steps had words of their own have none. */
  private static final String WORDS = "words";

  private Documents() {}

  static Document read(JSONB json, StepAuthors rooms) {
    var tree = (ObjectNode) MAPPER.readTree(json.data());
    var kept = (ObjectNode) tree.remove(CONTENTS);
    tree.putObject(CONTENTS);
    withStatuses((ObjectNode) tree.path("design"));
    withAllowances((ObjectNode) tree.path("design"));
    if (!tree.has(WORDS)) tree.putObject(WORDS);
    Document without = MAPPER.treeToValue(tree, Document.class);
    CourseDesign design = without.design();
    Map<StepId, Content> contents = new HashMap<>();
    for (Step step : design.steps().toList())
      contents.put(step.id(), rooms.read(step.kind(), (ObjectNode) kept.get(step.id().toString())));
    return new Document(
        design, contents, without.minutes(), without.words(), without.faces(), without.rubrics());
  }

  /** Publications of before groups could have more than others gave everybody the same. */
  private static void withAllowances(ObjectNode design) {
    for (JsonNode module : design.path("modules"))
      for (JsonNode step : module.path("steps"))
        if (!step.has("allowances")) ((ObjectNode) step).putArray("allowances");
  }

  /** Publications of before courses had statuses of their own knew those that are shipped. */
  private static void withStatuses(ObjectNode design) {
    if (!design.has("statuses"))
      design.set("statuses", MAPPER.valueToTree(AttendanceStatus.SHIPPED));
  }
}
