package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.FACT;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.strand.attempts.AttemptFact;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.formats.json.CoreJson;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.CatchUp;
import yendrik.server.way.CheckState;
import yendrik.server.way.Publishing;
import yendrik.server.way.Walks;

/** What follows from facts: the same whether an act, a correction or a publication led to it. */
@ServerTest
class ConsequencesTest extends SchoolTest {
  private static final String EDDA = "edda@hollowlane.example";
  @Autowired Walks walks;
  @Autowired CatchUp catchUp;
  @Autowired CheckState check;
  @Autowired Publishing publishing;
  @Autowired DemoClock clock;
  @Autowired TransactionTemplate transactions;
  private Caller sefa;
  private Caller edda;
  private NewCourse course;
  private long module;
  private long work;
  private long badge;

  @BeforeEach
  void aCourseWithWorkAndABadge() {
    sefa = as("Sefa Dunmore");
    edda = as("Edda Marsh");
    course = new NewCourse(sefa, "Consequences " + System.nanoTime());
    module = course.module("Tubes");
    work = course.step(module, "ASSIGNMENT", "Your first patch");
    badge = course.badge("Patch Hand", Optional.of(moduleDone(module)));
    course.publish();
    course.enrol(EDDA);
  }

  @AfterEach
  void theClockRuns() {
    clock.run();
  }

  private static ObjectNode moduleDone(long module) {
    ObjectNode rule = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "a");
    rule.putObject("leaf").put("is", "module-done").put("module", module);
    return rule;
  }

  private static ObjectNode courseComplete(CourseId other) {
    ObjectNode rule = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "a");
    rule.putObject("leaf").put("is", "course-complete").put("course", other.value());
    return rule;
  }

  private EnrolmentId enrolled(NewCourse of, String learner) {
    return of.enrolment(learner);
  }

  private int mark(int version, Judgement judgement) {
    String path = course.path + "/marking/" + enrolled(course, "Edda Marsh") + "/" + work;
    return sefa.call("POST", path + "/marks", new Sent.Mark(version, 0, judgement)).getStatus();
  }

  private void handInAndPass() {
    edda.post(course.walk(work) + "/visits", "");
    edda.post(course.walk(work) + "/versions", new Sent.Text("Two patches."));
    assertThat(mark(1, Judgement.PASSED)).isEqualTo(204);
  }

  private JsonNode decisions() {
    return sefa.get(course.path + "/decisions");
  }

  private JsonNode held() {
    return edda.get(course.path + "/walks/mine/route").path("badges").path(0).path("earned");
  }

  private void agrees(NewCourse of) {
    for (EnrolmentId enrolment : walks.learners(of.id))
      assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void a_mark_given_anew_is_a_correction_and_the_badge_waits_for_a_decision() {
    handInAndPass();
    assertThat(held().asBoolean()).isTrue();
    assertThat(decisions().size()).isZero();
    assertThat(mark(1, Judgement.AGAIN)).isEqualTo(204);
    assertThat(course.bead("Edda Marsh", work).path("state").asString()).isEqualTo("AGAIN");
    assertThat(held().asBoolean()).as("it never falls by itself").isTrue();
    JsonNode doubt = decisions().path(0);
    assertThat(doubt.path("name").asString()).isEqualTo("Patch Hand");
    assertThat(doubt.path("why").asString()).contains("Passed", "Needs another go", "Sefa");
    assertThat(
            edda.post(course.walk(work) + "/versions", new Sent.Text("Three."))
                .path("state")
                .asString())
        .as("the learner can hand in again")
        .isEqualTo("WAITING");
    agrees(course);
  }

  @Test
  void a_badge_in_doubt_is_kept_or_revoked_once_with_a_word_to_the_learner() {
    handInAndPass();
    mark(1, Judgement.FAILED);
    String path = course.path + "/decisions/" + enrolled(course, "Edda Marsh") + "/badges/" + badge;
    assertThat(sefa.call("POST", path, new Sent.InDoubt(false, "", Optional.empty())).getStatus())
        .isEqualTo(422);
    var body = new Sent.InDoubt(false, "marked in error", Optional.of("Sorry, {name}."));
    assertThat(sefa.call("POST", path, body).getStatus()).isEqualTo(204);
    assertThat(held().asBoolean()).isFalse();
    assertThat(sefa.call("POST", path, body).getStatus()).as("decided already").isEqualTo(409);
    assertThat(decisions().size()).isZero();
    assertThat(edda.get(course.path + "/messages").toString()).contains("Patch Hand");
    mark(1, Judgement.PASSED);
    assertThat(held().asBoolean()).as("what was revoked does not come back").isFalse();
    agrees(course);
  }

  @Test
  void a_badge_whose_ground_comes_back_needs_no_decision() {
    handInAndPass();
    mark(1, Judgement.FAILED);
    mark(1, Judgement.PASSED);
    assertThat(decisions().size()).isZero();
    assertThat(held().asBoolean()).isTrue();
    agrees(course);
  }

  @Test
  void marking_anew_leaves_one_mark_that_stands_and_takes_back_what_it_does_not_repeat() {
    handInAndPass();
    long facts = walks.see(enrolled(course, "Edda Marsh")).facts().size();
    mark(1, Judgement.FAILED);
    var now = walks.see(enrolled(course, "Edda Marsh")).facts();
    assertThat(now.size()).isEqualTo((int) facts + 1);
    assertThat(now.stream().filter(f -> f.what() instanceof WorkFact.Marked).count()).isEqualTo(2);
    assertThat(now.stream().filter(f -> f.replaces().isPresent()).count()).isEqualTo(1);
  }

  @Test
  void a_badge_that_came_due_while_nobody_looked_is_dated_at_its_moment() {
    Instant now = clock.instant();
    Instant soon = now.plus(Duration.ofDays(2)).truncatedTo(java.time.temporal.ChronoUnit.SECONDS);
    ObjectNode rule = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "a");
    rule.putObject("leaf").put("is", "in-time").put("from", soon.toString());
    long later = course.badge("Winter Patch", Optional.of(rule));
    course.publish();
    clock.putTo(now.plus(Duration.ofDays(5)));
    edda.post(course.walk(work) + "/visits", "");
    assertThat(
            walks.see(enrolled(course, "Edda Marsh")).facts().stream()
                .filter(f ->
                    f.what() instanceof Fact.BadgeIssued i && i.badge().equals(new BadgeId(later)))
                .map(Fact::at))
        .containsExactly(soon);
    agrees(course);
  }

  @Test
  void a_badge_due_by_the_clock_just_before_a_publication_becomes_a_fact() {
    Instant now = clock.instant();
    Instant soon = now.plus(Duration.ofDays(1));
    ObjectNode rule = CoreJson.mapper().createObjectNode().put("is", "ask").put("id", "a");
    rule.putObject("leaf").put("is", "in-time").put("from", soon.toString());
    course.badge("Winter Patch", Optional.of(rule));
    course.publish();
    clock.putTo(now.plus(Duration.ofDays(2)));
    course.change(work, e -> e.put("name", "Your second patch"));
    course.publish();
    assertThat(
            walks.see(enrolled(course, "Edda Marsh")).facts().stream()
                .filter(f -> f.what() instanceof Fact.BadgeIssued)
                .count())
        .isEqualTo(1);
    agrees(course);
  }

  private NewCourse asksFor(NewCourse other) {
    NewCourse asking = new NewCourse(sefa, "Asking " + System.nanoTime());
    long first = asking.step(asking.module("After"), "PAGE", "What comes next");
    asking.change(first, e -> e.set("opensWhen", courseComplete(other.id)));
    asking.publish();
    asking.enrol(EDDA);
    return asking;
  }

  private List<Instant> told(NewCourse asking) {
    return walks.see(enrolled(asking, "Edda Marsh")).facts().stream()
        .filter(f -> f.what() instanceof Fact.CompletedCourse)
        .map(Fact::at)
        .toList();
  }

  @Test
  void a_completion_is_told_to_the_courses_that_ask_for_it_and_taken_back_with_its_ground() {
    NewCourse asking = asksFor(course);
    NewCourse silent = new NewCourse(sefa, "Silent " + System.nanoTime());
    silent.step(silent.module("One"), "PAGE", "Nothing of it");
    silent.publish();
    silent.enrol(EDDA);
    handInAndPass();
    Instant completed =
        db.select(ENROLMENT.COMPLETED_AT)
            .from(ENROLMENT)
            .where(ENROLMENT.ID.eq(enrolled(course, "Edda Marsh")))
            .fetchSingle()
            .value1();
    clock.putTo(clock.instant().plus(Duration.ofHours(3)));
    catchUp.all();
    assertThat(told(asking)).as("dated when it came true").containsExactly(completed);
    assertThat(told(silent)).as("nobody asks there").isEmpty();
    assertThat(asking.thread("Edda Marsh")).startsWith("<");
    catchUp.all();
    assertThat(told(asking)).hasSize(1);
    mark(1, Judgement.FAILED);
    catchUp.all();
    String path = asking.path + "/walks/mine/route";
    assertThat(
            edda.get(path).path("modules").path(0).path("steps").path(0).path("state").asString())
        .isEqualTo("CLOSED");
    agrees(asking);
    agrees(course);
  }

  @Test
  void a_publication_that_completes_a_course_tells_the_others() {
    long second = course.step(module, "PAGE", "Where it leaks");
    course.publish();
    NewCourse asking = asksFor(course);
    handInAndPass();
    catchUp.all();
    assertThat(told(asking)).isEmpty();
    sefa.call("DELETE", course.path + "/design/steps/" + second, "");
    course.publish();
    catchUp.all();
    assertThat(told(asking)).hasSize(1);
  }

  @Test
  void a_course_that_begins_to_ask_learns_what_was_completed_before() {
    handInAndPass();
    NewCourse asking = new NewCourse(sefa, "Asking later " + System.nanoTime());
    long first = asking.step(asking.module("After"), "PAGE", "What comes next");
    asking.publish();
    asking.enrol(EDDA);
    catchUp.all();
    assertThat(told(asking)).isEmpty();
    asking.change(first, e -> e.set("opensWhen", courseComplete(course.id)));
    asking.publish();
    assertThat(told(asking)).hasSize(1);
    agrees(asking);
  }

  @Test
  void two_courses_that_one_person_completes_at_once_do_not_lock_each_other_out() throws Exception {
    List<NewCourse> two = new ArrayList<>();
    for (int n = 0; n < 2; n++) {
      NewCourse one = new NewCourse(sefa, "Twin " + n + " " + System.nanoTime());
      one.step(one.module("Only"), "PAGE", "Only page");
      one.publish();
      one.enrol(EDDA);
      two.add(one);
    }
    for (int n = 0; n < 2; n++) {
      NewCourse other = two.get(1 - n);
      long after = two.get(n).step(two.get(n).module("After"), "PAGE", "After");
      two.get(n)
          .change(
              after,
              e -> {
                e.put("required", false);
                e.set("opensWhen", courseComplete(other.id));
              });
      two.get(n).publish();
    }
    List<Callable<Integer>> acts = new ArrayList<>();
    for (NewCourse one : two) {
      long page = one.design().path("modules").path(0).path("steps").path(0).path("id").asLong();
      acts.add(() -> edda.call("POST", one.walk(page) + "/visits", "").getStatus());
      acts.add(() -> {
        catchUp.all();
        return 200;
      });
    }
    try (var threads = Executors.newFixedThreadPool(4)) {
      for (Future<Integer> done : threads.invokeAll(acts)) assertThat(done.get()).isEqualTo(200);
    }
    catchUp.all();
    for (NewCourse one : two) {
      assertThat(told(one)).hasSize(1);
      agrees(one);
    }
  }

  @Test
  void an_act_between_a_publication_and_its_learners_is_judged_by_what_is_published() {
    long page = course.step(module, "PAGE", "Where it leaks");
    course.publish();
    course.enrol("ruben@hollowlane.example");
    course.change(page, e -> e.set("doneWhen", course.ask("confirmed", page)));
    publishing.publish(course.id, signedIn("Sefa Dunmore").id());
    EnrolmentId ruben = enrolled(course, "Ruben Sato");
    assertThat(walks.behind(course.id)).contains(ruben);
    JsonNode opened = as("Ruben Sato").post(course.walk(page) + "/visits", "");
    assertThat(opened.path("state").asString())
        .as("reading is not enough any more")
        .isEqualTo("BEGUN");
    assertThat(walks.behind(course.id))
        .as("whoever acts comes under it, the others later")
        .containsExactly(enrolled(course, "Edda Marsh"));
    assertThat(cameUnder(ruben)).containsExactly(2, 3);
    catchUp.all();
    assertThat(walks.behind(course.id)).isEmpty();
    agrees(course);
  }

  private List<Integer> cameUnder(EnrolmentId enrolment) {
    return walks.see(enrolment).facts().stream()
        .filter(f -> f.what() instanceof Fact.CameUnder)
        .map(f -> ((Fact.CameUnder) f.what()).version())
        .toList();
  }

  @Test
  void a_learner_whose_state_cannot_be_worked_out_is_set_aside_and_in_nobodys_way() {
    course.enrol("ruben@hollowlane.example");
    EnrolmentId broken = enrolled(course, "Edda Marsh");
    EnrolmentId sound = enrolled(course, "Ruben Sato");
    Instant due = clock.instant().minusSeconds(1);
    db.update(ENROLMENT)
        .set(ENROLMENT.NEXT_AT, due)
        .where(ENROLMENT.ID.in(broken, sound))
        .execute();
    var kept =
        db.select(ENROLMENT.LATCHES)
            .from(ENROLMENT)
            .where(ENROLMENT.ID.eq(broken))
            .fetchSingle()
            .value1();
    db.update(ENROLMENT)
        .set(ENROLMENT.LATCHES, org.jooq.JSONB.valueOf("{\"stepOpened\":7}"))
        .set(ENROLMENT.STAMP, 0L)
        .where(ENROLMENT.ID.eq(broken))
        .execute();
    catchUp.all();
    assertThat(due(sound)).isEmpty();
    assertThat(due(broken)).isPresent();
    assertThat(walks.aside()).isEqualTo(1);
    assertThat(walks.toCatchUp(500)).doesNotContain(broken);
    db.update(ENROLMENT).set(ENROLMENT.LATCHES, kept).where(ENROLMENT.ID.eq(broken)).execute();
    clock.putTo(clock.instant().plus(Duration.ofHours(1)));
    catchUp.all();
    assertThat(walks.aside()).isZero();
    agrees(course);
  }

  @Test
  void what_an_act_led_to_is_forgotten_when_it_is_refused_or_rolled_back() {
    handInAndPass();
    EnrolmentId enrolment = enrolled(course, "Edda Marsh");
    Walks.Act another = _ -> List.of(new Fact.AttemptsAdded(new StepId(work), 1));
    walks.act(enrolment, Optional.empty(), another);
    int facts = walks.see(enrolment).facts().size();
    transactions.executeWithoutResult(rolledBack -> {
      walks.act(enrolment, Optional.empty(), another);
      rolledBack.setRollbackOnly();
    });
    assertThatThrownBy(() ->
            walks.act(
                enrolment,
                Optional.empty(),
                _ -> {
                  throw new IllegalStateException("refused");
                }))
        .hasMessage("refused");
    walks.act(enrolment, Optional.empty(), another);
    assertThat(walks.see(enrolment).facts()).hasSize(facts + 1);
    agrees(course);
  }

  private Optional<Instant> due(EnrolmentId enrolment) {
    return db.select(ENROLMENT.NEXT_AT)
        .from(ENROLMENT)
        .where(ENROLMENT.ID.eq(enrolment))
        .fetchSingle(r -> Optional.ofNullable(r.value1()))
        .filter(at -> !at.isAfter(clock.instant()));
  }

  @Test
  void what_was_kept_in_an_older_form_is_worked_out_anew_and_what_is_wrong_is_found_and_repaired() {
    handInAndPass();
    EnrolmentId enrolment = enrolled(course, "Edda Marsh");
    db.update(ENROLMENT)
        .set(ENROLMENT.FORM, 0)
        .set(ENROLMENT.SHARE, 0.123)
        .set(ENROLMENT.LATCHES, org.jooq.JSONB.valueOf("{}"))
        .where(ENROLMENT.ID.eq(enrolment))
        .execute();
    catchUp.all();
    assertThat(walks.compare(enrolment)).isEmpty();
    db.update(ENROLMENT)
        .set(ENROLMENT.SHARE, 0.123)
        .set(ENROLMENT.LATCHES, org.jooq.JSONB.valueOf("{\"stepDone\": {}}"))
        .where(ENROLMENT.ID.eq(enrolment))
        .execute();
    assertThat(walks.compare(enrolment))
        .anyMatch(d -> d.startsWith("share: kept 0.123, from the facts "))
        .anyMatch(d -> d.matches("kept\\.stepDone\\.\\d+: kept nothing, from the facts \\d+"))
        .noneMatch(d -> d.startsWith("sums") || d.startsWith("summary"));
    Map<EnrolmentId, List<String>> differing = new HashMap<>();
    CheckState.Listener listener =
        new CheckState.Listener() {
          @Override
          public void differs(EnrolmentId who, List<String> how) {
            differing.put(who, how);
          }

          @Override
          public void checked(int learners) {}
        };
    check.nightly();
    assertThat(check.last().orElseThrow().differing()).isEqualTo(1);
    check.nightly();
    CheckState.Found found = check.all(/* repair= */ true, listener);
    assertThat(differing.keySet()).containsExactly(enrolment);
    assertThat(found.repaired()).isEqualTo(1);
    assertThat(found.learners()).isEqualTo(db.fetchCount(ENROLMENT, ENROLMENT.PRACTICE.isFalse()));
    assertThat(walks.compare(enrolment)).isEmpty();
  }

  @Test
  void who_has_left_can_use_nothing_and_is_not_flagged() {
    EnrolmentId enrolment = enrolled(course, "Edda Marsh");
    walks.act(enrolment, Optional.empty(), _ -> List.of(new Fact.LeftCourse()));
    assertThat(edda.call("POST", course.walk(work) + "/visits", "").getStatus()).isEqualTo(403);
    clock.putTo(clock.instant().plus(Duration.ofDays(30)));
    catchUp.all();
    assertThat(course.row("Edda Marsh").path("flags").size()).isZero();
    walks.act(enrolment, Optional.empty(), _ -> List.of(new Fact.Enrolled()));
    assertThat(edda.call("POST", course.walk(work) + "/visits", "").getStatus()).isEqualTo(200);
    agrees(course);
  }

  @Test
  void no_more_attempts_are_begun_than_are_allowed_however_quick_the_clicks() throws Exception {
    long quiz = course.step(module, "QUIZ", "Rubber and glue");
    course.change(
        quiz,
        e -> {
          e.put("attempts", 1);
          NewCourse.part(e)
              .putArray("questions")
              .add(NewCourse.question("q1", "What dries?", "Glue", "Rubber"));
        });
    course.publish();
    Callable<Integer> begin =
        () -> edda.post(course.walk(quiz) + "/attempts", "").path("number").asInt();
    try (var threads = Executors.newFixedThreadPool(6)) {
      for (Future<Integer> done : threads.invokeAll(List.of(begin, begin, begin, begin)))
        assertThat(done.get()).isEqualTo(1);
    }
    EnrolmentId enrolment = enrolled(course, "Edda Marsh");
    assertThat(
            walks.see(enrolment).facts().stream()
                .filter(f ->
                    f.what() instanceof AttemptFact.StartedAttempt a
                        && a.step().equals(new StepId(quiz)))
                .count())
        .isEqualTo(1);
  }

  @Test
  void ids_of_facts_are_in_the_order_of_the_acts_though_one_waited_for_the_other()
      throws Exception {
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    var locked = new CountDownLatch(1);
    var go = new CountDownLatch(1);
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<?> first =
          threads.submit(() ->
              walks.act(
                  enrolment,
                  Optional.empty(),
                  _ -> {
                    locked.countDown();
                    await(go);
                    return Collections.nCopies(40, new Fact.WasHere());
                  }));
      await(locked);
      Future<?> second =
          threads.submit(() ->
              walks.act(enrolment, Optional.of(new PersonId(1)), _ -> List.of(new Fact.WasHere())));
      Awaitility.await().until(this::somebodyWaitsForALock);
      go.countDown();
      first.get();
      second.get();
    }
    assertThat(
            db.select(FACT.BY_ID)
                .from(FACT)
                .where(FACT.ENROLMENT_ID.eq(enrolment), FACT.KIND.eq("was-here"))
                .orderBy(FACT.ID)
                .fetch(FACT.BY_ID))
        .hasSize(41)
        .endsWith(null, new PersonId(1));
  }

  @Test
  void who_waits_behind_an_act_that_is_refused_finds_everything_as_it_was() throws Exception {
    EnrolmentId enrolment = course.enrolment("Edda Marsh");
    Walks.Act here = _ -> List.of(new Fact.WasHere());
    walks.act(enrolment, Optional.empty(), here);
    var locked = new CountDownLatch(1);
    var go = new CountDownLatch(1);
    try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
      Future<?> holder =
          threads.submit(() ->
              transactions.executeWithoutResult(_ -> {
                db.selectFrom(ENROLMENT).where(ENROLMENT.ID.eq(enrolment)).forUpdate().fetch();
                locked.countDown();
                await(go);
              }));
      await(locked);
      Future<?> refused =
          threads.submit(() ->
              walks.act(
                  enrolment,
                  Optional.empty(),
                  _ -> {
                    throw new IllegalStateException("refused");
                  }));
      Awaitility.await().until(() -> waitForALock() == 1);
      Future<?> behind = threads.submit(() -> walks.act(enrolment, Optional.empty(), here));
      Awaitility.await().until(() -> waitForALock() == 2);
      go.countDown();
      holder.get();
      assertThatThrownBy(refused::get).hasMessageContaining("refused");
      behind.get();
    }
    agrees(course);
  }

  private boolean somebodyWaitsForALock() {
    return waitForALock() > 0;
  }

  private int waitForALock() {
    return db.fetchCount(DSL.table("pg_stat_activity"), DSL.field("wait_event_type").eq("Lock"));
  }

  private static void await(CountDownLatch latch) {
    try {
      assertThat(latch.await(20, TimeUnit.SECONDS)).isTrue();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
