package yendrik.e2e;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.CourseId;
import yendrik.core.id.PersonId;
import yendrik.core.people.StaffKind;
import yendrik.formats.badge.Art;
import yendrik.formats.json.CoreJson;
import yendrik.server.people.People;

/** A course of a test's own, made and filled as people would, only quicker. */
final class Course {
  final long id;
  final String path;
  private final School school;
  private final Api sefa;
  private int nodes;

  Course(School school, String name) {
    this.school = school;
    sefa = school.as("sefa");
    ObjectNode body = Api.object();
    body.put("name", name).put("cohort", "").put("starts", "2026-10-19");
    body.put("weeks", 10).put("zone", "Europe/Berlin");
    id = id(sefa.post("/api/courses", body.toString()));
    path = "/api/courses/" + id;
    staff("odalys", StaffKind.DESIGNER);
    staff("tomas", StaffKind.FACILITATOR);
  }

  private static long id(JsonNode made) {
    return made.path("id").asLong();
  }

  private void staff(String firstName, StaffKind role) {
    var people = school.part(People.class);
    PersonId person = people.withEmail(firstName + "@hollowlane.example").orElseThrow();
    people.addStaff(new CourseId(id), person, role, Optional.empty());
  }

  /** The address of a view in the application. */
  String view(String view) {
    return "/c/" + id + "/" + view;
  }

  long module(String name) {
    return id(sefa.post(path + "/design/modules", Api.object().put("name", name).toString()));
  }

  long step(long module, String kind, String name) {
    ObjectNode body = Api.object().put("module", module).put("kind", kind).put("name", name);
    return id(sefa.post(path + "/design/steps", body.toString()));
  }

  long outcome(String code, String name) {
    return id(outcome(sefa, path, code, name));
  }

  /** Adds an outcome to a course or a framework. */
  static JsonNode outcome(Api designer, String path, String code, String name) {
    ObjectNode body = Api.object().put("code", code).put("name", name).put("description", "");
    body.put("scale", id(designer.get(path + "/design").path("scales").path(0)));
    body.putObject("levelRule")
        .put("method", "BEST")
        .put("halvesEvery", 2)
        .put("times", 2)
        .put("last", 3)
        .put("fewest", 1);
    return designer.post(path + "/design/outcomes", body.toString());
  }

  /** Changes a step; the rules are left as they are unless they are set. */
  void change(long step, Consumer<ObjectNode> change) {
    JsonNode now = seen(step);
    ObjectNode edit = ((ObjectNode) now).deepCopy();
    edit.remove(List.of("id", "version", "module", "kind", "opensWhen", "doneWhen"));
    ObjectNode seen = edit.deepCopy();
    change.accept(edit);
    if (edit.has("doneWhen")) seen.set("doneWhen", plain(now.path("doneWhen").path("root")));
    sefa.change(path + "/design/steps/" + step, seen, edit);
  }

  private JsonNode seen(long step) {
    for (JsonNode module : sefa.get(path + "/design").path("modules"))
      for (JsonNode s : module.path("steps")) if (id(s) == step) return s;
    throw new IllegalStateException("no step " + step);
  }

  private static JsonNode plain(JsonNode root) {
    ObjectNode node = ((ObjectNode) root).deepCopy();
    node.remove(List.of("n", "subject", "says"));
    if (node.path("is").asString().equals("ask")) node.remove("parts");
    return node;
  }

  /** A condition of one leaf about a step or module: {@code ask("seen", "step", 3)}. */
  ObjectNode ask(String leaf, String of, long id) {
    ObjectNode ask = Api.object().put("is", "ask").put("id", "t" + nodes++);
    ask.putObject("leaf").put("is", leaf).put(of, id);
    return ask;
  }

  /** Evidence of an outcome from a step. */
  static void tie(ObjectNode step, long outcome) {
    step.withArray("evidenceFor").addObject().put("outcome", outcome).put("weight", 1);
  }

  /** A question of one point, whose first choice is right, in a quiz. */
  void ask(long quiz, String text, String... choices) {
    change(
        quiz,
        e -> {
          ArrayNode questions = ((ObjectNode) e.path("part")).withArray("questions");
          ObjectNode question = questions.addObject();
          question.put("id", "q" + questions.size()).put("text", text);
          question.put("points", 1).put("feedback", "");
          ObjectNode part = question.putObject("part").put("is", "choice").put("right", "c1");
          ArrayNode list = part.putArray("choices");
          for (String choice : choices)
            list.addObject().put("id", "c" + list.size()).put("text", choice);
        });
  }

  /** A rubric whose criteria have three levels of 0, 1 and 2 points. */
  long rubric(String name, long outcome, String... criteria) {
    ObjectNode body = Api.object().put("name", name);
    ArrayNode list = body.putArray("criteria");
    for (String criterion : criteria) {
      ObjectNode one = list.addObject().put("name", criterion).put("description", "");
      one.put("counts", true);
      if (list.size() == 1) one.put("outcome", outcome);
      ArrayNode levels = one.putArray("levels");
      for (String level : List.of("Nothing", "Some", "All")) {
        ObjectNode l = levels.addObject().put("name", level).put("description", "");
        l.put("points", levels.size() - 1);
        if (list.size() == 1) l.put("standsFor", levels.size() - 1);
      }
    }
    return id(sefa.post(path + "/design/rubrics", body.toString()));
  }

  void badge(String name, ObjectNode earned) {
    ObjectNode body = Api.object().put("name", name).put("description", "");
    body.put("surprise", false).set("earnedWhen", earned);
    body.putObject("picture").put("alt", "").set("art", CoreJson.mapper().valueToTree(Art.PLAIN));
    sefa.post(path + "/design/badges", body.toString());
  }

  void publish() {
    String draft = sefa.get(path + "/publications/next").path("draft").asString();
    sefa.post(path + "/publications", Api.object().put("draft", draft).toString());
  }

  void enrol(String... firstNames) {
    ObjectNode body = Api.object();
    for (String name : firstNames) body.withArray("emails").add(name + "@hollowlane.example");
    sefa.post(path + "/roster", body.toString());
  }

  long enrolment(String name) {
    for (JsonNode row : sefa.get(path + "/reports/progress").path("learners"))
      if (row.path("name").asString().equals(name)) return row.path("enrolment").asLong();
    throw new IllegalStateException("no learner " + name);
  }

  /** The address of a step of whoever asks. */
  String walk(long step) {
    return path + "/walks/mine/steps/" + step;
  }

  void visit(String firstName, long step) {
    school.as(firstName).post(walk(step) + "/visits", "");
  }

  void handIn(String firstName, long step, String text) {
    Api learner = school.as(firstName);
    learner.post(walk(step) + "/visits", "");
    learner.post(walk(step) + "/versions", Api.object().put("text", text).toString());
  }

  /** An attempt at a quiz in which the same choice is taken each time, 0 for the right one. */
  void attempt(String firstName, long quiz, int choice) {
    Api learner = school.as(firstName);
    learner.post(walk(quiz) + "/visits", "");
    JsonNode attempt = learner.post(walk(quiz) + "/attempts", "");
    ObjectNode body = Api.object();
    ObjectNode answers = body.putObject("answers");
    List<String> texts = texts(quiz, choice);
    for (JsonNode question : attempt.path("questions"))
      for (JsonNode c : question.path("part").path("choices"))
        if (texts.contains(c.path("text").asString()))
          answers
              .putObject(question.path("id").asString())
              .put("is", "choice")
              .put("choice", c.path("id").asString());
    learner.post(
        walk(quiz) + "/attempts/" + attempt.path("number").asInt() + "/result", body.toString());
  }

  private List<String> texts(long quiz, int choice) {
    return seen(quiz)
        .path("part")
        .path("questions")
        .valueStream()
        .map(q -> q.path("part").path("choices").path(choice).path("text").asString())
        .toList();
  }

  /** Tomas rates a learner. */
  void rate(String name, long outcome, int level) {
    ObjectNode body = Api.object().put("outcome", outcome).put("level", level).put("note", "");
    body.putArray("learners").add(enrolment(name));
    school.as("tomas").post(path + "/ratings", body.toString());
  }
}
