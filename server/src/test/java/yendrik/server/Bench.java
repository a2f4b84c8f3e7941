package yendrik.server;

import static yendrik.schema.Tables.LEARNER_GROUP;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.strand.work.Judgement;
import yendrik.formats.json.CoreJson;
import yendrik.server.demo.DemoClock;
import yendrik.server.people.People;
import yendrik.server.way.Walks;

/**
 * A small course under way, with two modules, two outcomes and one made of both, a badge, its staff
 * and five learners, who were enrolled twenty days ago:
 *
 * <ul>
 *   <li>Ilse has done everything and holds the badge.
 *   <li>Edda has done the first module and waits for the practical of the second.
 *   <li>Juno has used up her attempts at the quiz; she alone is in Priya's group.
 *   <li>Bashir has been through the first page and came no more.
 *   <li>Ruben never came.
 * </ul>
 */
final class Bench extends NewCourse {
  static final int LEARNERS = 5;
  static final String JUNOS_GROUP = "Tuesday";
  private static final int DAYS = 20;
  final OutcomeId brake;
  final OutcomeId torque;
  final OutcomeId both;
  final long page;
  final long quiz;
  final long anatomy;
  final long practical;
  final long card;
  final GroupId tuesday;
  private final SchoolTest school;

  Bench(
      SchoolTest school, String name, Walks walks, People people, DSLContext db, DemoClock clock) {
    super(school.as("Sefa Dunmore"), name + " " + System.nanoTime());
    this.school = school;
    people.addStaff(id, person("Odalys Brandt"), StaffKind.DESIGNER, Optional.empty());
    people.addStaff(id, person("Tomas Weir"), StaffKind.FACILITATOR, Optional.empty());
    tuesday = group(db, JUNOS_GROUP);
    people.addStaff(id, person("Priya Nakamura"), StaffKind.SUPPORT, Optional.of(tuesday));
    brake = outcome("BRAKE", "Set up a rim brake", List.of());
    torque = outcome("TORQ", "Tighten to the right torque", List.of());
    both = outcome("BIKE", "Hand a bicycle over", List.of(brake, torque));
    long feet = module("Find your feet");
    page = step(feet, "PAGE", "Your bench and the stand");
    quiz = step(feet, "QUIZ", "Name that tool");
    ask(
        quiz,
        question("q1", "What turns a crown race?", "A setter", "A punch"),
        question("q2", "What opens a chain?", "A breaker", "Pliers"),
        question("q3", "What trues a wheel?", "A spoke key", "A hammer"));
    change(
        quiz, e -> e.put("attempts", 2).put("passMark", 0.6).set("opensWhen", ask("seen", page)));
    long brakes = module("Brakes");
    anatomy = step(brakes, "PAGE", "Rim brake anatomy");
    change(anatomy, e -> e.set("opensWhen", moduleDone(feet)));
    practical = step(brakes, "PRACTICAL", "Brake set-up practical");
    change(
        practical,
        e -> {
          e.put("body", "<p>Set up one rim brake.</p>");
          e.set("opensWhen", ask("seen", anatomy));
          tie(e, brake);
        });
    card = step(brakes, "ASSIGNMENT", "Brake job card");
    change(
        card,
        e -> {
          e.set("opensWhen", ask("signed-off", practical));
          tie(e, brake);
          tie(e, torque);
        });
    badge("Brake Hand", Optional.of(moduleDone(brakes)));
    publish();
    clock.putTo(clock.instant().minus(Duration.ofDays(DAYS)));
    enrol(
        List.of("Ilse Tran", "Edda Marsh", "Juno Abara", "Bashir Colm", "Ruben Sato").stream()
            .map(TestSchool::address)
            .toArray(String[]::new));
    walks.act(
        enrolment("Juno Abara"), Optional.empty(), _ -> List.of(new Fact.JoinedGroup(tuesday)));
    visit("Bashir Colm", page);
    clock.run();
    for (String name1 : List.of("Ilse Tran", "Edda Marsh", "Juno Abara")) visit(name1, page);
    for (int n = 0; n < 2; n++) answer("Juno Abara", "A punch", "Pliers", "A spoke key");
    for (String name1 : List.of("Ilse Tran", "Edda Marsh")) {
      answer(name1, "A setter", "A breaker", "A hammer");
      visit(name1, anatomy);
    }
    signOff("Ilse Tran", 2);
    handIn("Ilse Tran", "Two pads, 5 Nm.");
    mark("Ilse Tran", 18, Judgement.PASSED, 2, 2);
  }

  private static void tie(ObjectNode step, OutcomeId outcome) {
    step.withArray("evidenceFor").addObject().put("outcome", outcome.value()).put("weight", 1);
  }

  private yendrik.core.id.PersonId person(String name) {
    return school.signedIn(name).id();
  }

  private GroupId group(DSLContext db, String name) {
    return db.insertInto(LEARNER_GROUP)
        .set(LEARNER_GROUP.COURSE_ID, id)
        .set(LEARNER_GROUP.NAME, name)
        .returning(LEARNER_GROUP.ID)
        .fetchSingle(LEARNER_GROUP.ID);
  }

  private ObjectNode moduleDone(long module) {
    ObjectNode rule = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "m" + module);
    rule.putObject("leaf").put("is", "module-done").put("module", module);
    return rule;
  }

  /** Somebody opens a step. */
  JsonNode visit(String learner, long step) {
    return school.as(learner).post(walk(step) + "/visits", "");
  }

  /** An attempt at the quiz; its result. */
  JsonNode answer(String learner, String... beginnings) {
    Caller who = school.as(learner);
    JsonNode attempt = who.post(walk(quiz) + "/attempts", "");
    String result = walk(quiz) + "/attempts/" + attempt.path("number").asInt() + "/result";
    return who.post(result, Caller.answers(attempt, beginnings));
  }

  /** What staff mark somebody's work at. */
  String marking(String learner) {
    return path + "/marking/" + enrolment(learner) + "/";
  }

  /** Tomas signs the practical off. */
  void signOff(String learner, int level) {
    var body = new Sent.SignOff("Clean", Map.of(brake, level));
    school.as("Tomas Weir").call("POST", marking(learner) + practical + "/sign-offs", body);
  }

  JsonNode handIn(String learner, String text) {
    return school.as(learner).post(walk(card) + "/versions", new Sent.Text(text));
  }

  /** Tomas marks the first version of the card. */
  int mark(String learner, int points, Judgement judgement, int ofBrake, int ofTorque) {
    var levels = Map.of(brake, ofBrake, torque, ofTorque);
    var body = new Sent.Mark(1, points, judgement, "Clear.", levels);
    return school
        .as("Tomas Weir")
        .call("POST", marking(learner) + card + "/marks", body)
        .getStatus();
  }
}
