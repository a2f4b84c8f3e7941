package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StepId;
import yendrik.formats.badge.Art;
import yendrik.formats.json.CoreJson;
import yendrik.server.design.DesignEdits;
import yendrik.server.design.OutcomeForms;

/** A course of a test's own, made and changed through the API as people would. */
class NewCourse {
  final CourseId id;
  final String path;
  private final Caller designer;
  private int nodes;

  /** Made by an administrator, who has every right in it. */
  NewCourse(Caller administrator, String name) {
    designer = administrator;
    long made =
        administrator
            .post(
                "/api/courses",
                new Sent.Course(name, "", LocalDate.of(2026, 1, 5), 10, "Europe/Berlin"))
            .path("id")
            .asLong();
    assertThat(made).as("the course is made").isPositive();
    id = new CourseId(made);
    path = "/api/courses/" + id;
  }

  /** A picture of one dot among the files of the course. */
  long picture() {
    byte[] dot =
        Base64.getDecoder()
            .decode(
                "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAA"
                    + "AABJRU5ErkJggg==");
    var sent = new Sent.SentFile(designer.sent("dot.png", dot), "PICTURE");
    return designer.post(path + "/design/files", sent).path("id").asLong();
  }

  long module(String name) {
    return added("modules", new DesignEdits.NewModule(name));
  }

  long step(long module, String kind, String name) {
    return step(module, kind, name, Optional.empty());
  }

  /** Adds a step after another one. */
  long stepAfter(long after, long module, String kind, String name) {
    return step(module, kind, name, Optional.of(new StepId(after)));
  }

  private long step(long module, String kind, String name, Optional<StepId> after) {
    var step = new DesignEdits.NewStep(new ModuleId(module), StepKind.valueOf(kind), name, after);
    return added("steps", step);
  }

  /** Adds an outcome whose level is that of the newest piece, made of others if there are any. */
  OutcomeId outcome(String code, String name, List<OutcomeId> parts) {
    var scale = new ScaleId(design().path("scales").path(0).path("id").asLong());
    var rule =
        new OutcomeForms.LevelRuleForm(
            OutcomeForms.Method.MOST_RECENT, 2, 2, 3, 1, Optional.empty());
    var made =
        Optional.of(parts)
            .filter(p -> !p.isEmpty())
            .map(p -> new OutcomeForms.MadeOfForm(OutcomeForms.How.ALL, 1, p));
    var edit =
        new DesignEdits.OutcomeEdit(
            code, name, "", scale, rule, made, Optional.empty(), Optional.empty());
    return new OutcomeId(added("outcomes", edit));
  }

  /** Adds a badge that is earned by a rule, or given by hand only. */
  long badge(String name, Optional<ObjectNode> earnedWhen) {
    var picture = new DesignEdits.PictureEdit(Art.PLAIN, Optional.empty(), "A medal");
    Optional<Map<String, Object>> rule =
        earnedWhen.map(r -> CoreJson.mapper().convertValue(r, new TypeReference<>() {}));
    var edit = new DesignEdits.BadgeEdit(name, "", Optional.empty(), picture, rule, false);
    return added("badges", edit);
  }

  private long added(String part, Record edit) {
    JsonNode made = designer.post(path + "/design/" + part, edit);
    assertThat(made.path("id").asLong()).as(made.toString()).isPositive();
    return made.path("id").asLong();
  }

  JsonNode design() {
    return designer.get(path + "/design");
  }

  JsonNode seen(long step) {
    for (JsonNode module : design().path("modules"))
      for (JsonNode s : module.path("steps")) if (s.path("id").asLong() == step) return s;
    throw new AssertionError("no step " + step);
  }

  /** A condition of one leaf: {@code ask("seen", step)}. */
  ObjectNode ask(String leaf, long step) {
    ObjectNode ask = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "t" + nodes++);
    ask.putObject("leaf").put("is", leaf).put("step", step);
    return ask;
  }

  /** Changes a step as its inspector does. */
  void change(long step, java.util.function.Consumer<ObjectNode> change) {
    var saved = save(seen(step), change);
    assertThat(saved.getStatus()).as(Caller.json(saved).toString()).isEqualTo(200);
  }

  /** What comes of changing a step that was seen so. */
  org.springframework.mock.web.MockHttpServletResponse save(
      JsonNode now, java.util.function.Consumer<ObjectNode> change) {
    ObjectNode edit = ((ObjectNode) now).deepCopy();
    edit.remove(List.of("id", "version", "module", "kind", "opensWhen"));
    edit.set("doneWhen", plain(now.path("doneWhen").path("root")));
    if (!now.path("opensWhen").isMissingNode() && !now.path("opensWhen").isNull())
      edit.set("opensWhen", plain(now.path("opensWhen").path("root")));
    ObjectNode seen = edit.deepCopy();
    change.accept(edit);
    return designer.change(path + "/design/steps/" + now.path("id").asLong(), seen, edit);
  }

  /** What a step of its kind has and others have not, to be changed. */
  static ObjectNode part(ObjectNode edit) {
    return (ObjectNode) edit.path("part");
  }

  /** A question of one point with some choices, of which the first is right. */
  static ObjectNode question(String id, String text, String... choices) {
    ObjectNode question = CoreJson.mapper().createObjectNode();
    question.put("id", id).put("text", text).put("points", 1).put("feedback", "");
    ObjectNode part = question.putObject("part").put("is", "choice").put("right", "c1");
    var list = part.putArray("choices");
    for (String choice : choices) list.addObject().put("id", "c" + list.size()).put("text", choice);
    return question;
  }

  /** Asks these questions in a quiz. */
  void ask(long quiz, ObjectNode... questions) {
    change(quiz, e -> part(e).putArray("questions").addAll(List.of(questions)));
  }

  /** A rule as it is sent, from one as it is shown. */
  static JsonNode plain(JsonNode root) {
    ObjectNode node = ((ObjectNode) root).deepCopy();
    node.remove(List.of("n", "subject", "says"));
    if (node.path("is").asString().equals("ask")) node.remove("parts");
    else {
      var parts = node.putArray("parts");
      for (JsonNode part : root.path("parts")) parts.add(plain(part));
    }
    return node;
  }

  /** Steps of a module as they are to stand. */
  static DesignEdits.ModuleOrder order(long module, long... steps) {
    return new DesignEdits.ModuleOrder(
        new ModuleId(module), Arrays.stream(steps).mapToObj(StepId::new).toList());
  }

  void publish() {
    var response = designer.publish(path);
    assertThat(response.getStatus()).isEqualTo(202);
  }

  JsonNode impact() {
    return designer.get(path + "/publications/next");
  }

  void enrol(String... emails) {
    JsonNode done = designer.post(path + "/roster", new Sent.Roster(List.of(emails)));
    assertThat(done.path("enrolled").asInt()).as(done.toString()).isEqualTo(emails.length);
  }

  JsonNode progress() {
    return designer.get(path + "/reports/progress");
  }

  JsonNode row(String learner) {
    for (JsonNode row : progress().path("learners"))
      if (row.path("name").asString().equals(learner)) return row;
    throw new AssertionError("no learner " + learner);
  }

  EnrolmentId enrolment(String learner) {
    return new EnrolmentId(row(learner).path("enrolment").asLong());
  }

  String thread(String learner) {
    return row(learner).path("thread").asString();
  }

  /** What staff are told about one bead. */
  JsonNode bead(String learner, long step) {
    return designer.get(
        path + "/learners/" + row(learner).path("enrolment").asLong() + "/steps/" + step);
  }

  String walk(long step) {
    return path + "/walks/mine/steps/" + step;
  }
}
