package yendrik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.RegisterExtension;
import yendrik.standins.mailroom.Letter;

/** The whole story once, in the order in which people live it. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FromOutcomeToBadgeTest {
  private static School school;

  @RegisterExtension
  static final AfterTestExecutionCallback PICTURES =
      test -> {
        if (test.getExecutionException().isPresent()) school.keepPictures(test.getDisplayName());
      };

  @BeforeAll
  static void open() {
    school = new School();
  }

  @AfterAll
  static void close() {
    school.close();
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static Locator link(Page page, String name) {
    return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static void go(Page page, String path) {
    page.navigate(school.address + path);
  }

  /** A level of one criterion of the rubric that is gone through. */
  private static Locator met(Page page, String criterion, String level) {
    return page.getByRole(AriaRole.RADIOGROUP, new Page.GetByRoleOptions().setName(criterion))
        .getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName(Pattern.compile(level)));
  }

  private static void take(Page page, String field, String typed, String proposal) {
    Locator section = page.locator("section[aria-label='" + field + "']");
    section.getByRole(AriaRole.COMBOBOX).fill(typed);
    page.getByRole(AriaRole.OPTION)
        .filter(new Locator.FilterOptions().setHasText(proposal))
        .first()
        .click();
    assertThat(section.getByText(proposal.substring(proposal.indexOf('|') + 1)).first())
        .isVisible();
  }

  @Test
  @Order(1)
  void a_designer_plans_a_course_from_an_outcome_to_a_badge_and_publishes_it() {
    Page page = school.signedIn("odalys");
    go(page, "/c/5/plan/outcomes");
    button(page, "Add outcome").first().click();
    page.getByLabel("Name").fill("Patch a tube");
    page.getByLabel("Code").fill("TUBE");
    page.getByLabel("Code").press("Enter");
    assertThat(
            page.locator("main").getByText("TUBE", new Locator.GetByTextOptions().setExact(true)))
        .isVisible();

    go(page, "/c/5/plan/route");
    button(page, "Add module").first().click();
    page.getByLabel("Name").fill("Tubes");
    page.getByLabel("Name").press("Enter");
    assertThat(page.getByText("1. Tubes")).isVisible();
    addStep(page, "Page", "How a patch holds");
    addStep(page, "Quiz", "Rubber and glue");
    button(page, "Content").click();
    button(page, "Add question").click();
    page.getByLabel("Question 1").last().fill("What has to dry before the patch goes on?");
    page.getByLabel("Choice 1").fill("The glue");
    page.getByLabel("Choice 2").fill("The tyre");
    page.getByLabel("Choice 2").blur();
    assertThat(page.getByText("1 points in 1 questions")).isVisible();
    button(page, "Rules").click();
    take(page, "Opens when", "patch holds", "How a patch holds is done");
    addStep(page, "Assignment", "Your first patch");
    take(page, "Opens when", "rubber passed", "Rubber and glue passed");

    go(page, "/c/5/plan/badges");
    button(page, "Add badge").first().click();
    take(page, "Earned when", "module tubes", "Tubes is done");
    go(page, "/c/5/plan/route");
    button(page, "Publish").click();
    assertThat(page.getByText("No learners are enrolled yet.")).isVisible();
    button(page, "Publish for everyone").click();
    assertThat(page.getByText("Published, version 1")).isVisible();
  }

  private static void addStep(Page page, String kind, String name) {
    button(page, "Add step").first().click();
    button(page, kind).last().click();
    page.getByLabel("Name of the step").fill(name);
    page.getByLabel("Name of the step").press("Enter");
    assertThat(page.getByText("“" + name + "” added.")).isVisible();
    page.getByLabel("Name of the step").press("Escape");
    assertThat(
            page.locator("main")
                .getByRole(
                    AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true)))
        .isVisible();
    assertThat(page.getByLabel("Inspector").getByLabel("Name")).hasValue(name);
  }

  @Test
  @Order(2)
  void a_change_can_be_taken_back_with_a_key() {
    Page page = school.signedIn("odalys");
    go(page, "/c/5/plan/route");
    button(page, "How a patch holds").click();
    page.getByLabel("Name").fill("Why a patch holds");
    page.getByLabel("Name").press("Enter");
    Locator changed =
        page.locator("main")
            .getByText("Why a patch holds", new Locator.GetByTextOptions().setExact(true));
    assertThat(changed).isVisible();
    page.locator("main").click(new Locator.ClickOptions().setPosition(5, 5));
    page.keyboard().press("Control+z");
    assertThat(changed).isHidden();
  }

  @Test
  @Order(3)
  void the_designer_walks_it_as_a_made_up_learner_and_back() {
    Page page = school.signedIn("odalys");
    go(page, "/c/5/plan/route");
    link(page, "See as learner").click();
    assertThat(page.getByText("You walk the draft as a made-up learner.")).isVisible();
    assertThat(page.getByText("Opens when you finish “How a patch holds”.")).isVisible();
    link(page, "Read").click();
    link(page, "Next: Rubber and glue").click();
    button(page, "Start attempt 1").click();
    page.getByLabel("The glue").check();
    button(page, "Hand in answers").click();
    assertThat(page.getByText("100 %, Passed")).isVisible();
    link(page, "Next: Your first patch").click();
    page.getByLabel("Your work").fill("Roughened, glued, waited, pressed.");
    button(page, "Hand in").click();
    button(page, "As staff: mark it passed").click();
    link(page, "My badges").click();
    assertThat(page.getByText(Pattern.compile("^earned "))).isVisible();
    button(page, "Start over").click();
    assertThat(page.getByText("0 of 3 steps done")).isVisible();
    link(page, "Back to Plan").click();
    assertThat(page).hasURL(Pattern.compile(".*/plan/route"));
  }

  @Test
  @Order(4)
  void a_learner_sees_what_is_missing_takes_the_quiz_and_the_next_step_opens_without_reloading() {
    Page page = school.signedIn("bashir");
    assertThat(
            page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Name the fault")))
        .isVisible();
    assertThat(page.getByText("Opens when you score 70 % or more in “Name the fault”."))
        .isVisible();
    link(page, "Start quiz").click();
    button(page, "Start attempt 1").click();
    page.getByLabel("The headset").check();
    page.getByLabel("The bottom bracket").check();
    page.getByLabel("The same way every time, front to back").check();
    page.getByLabel("Out of tune").check();
    button(page, "Hand in answers").click();
    assertThat(page.getByText("75 %, Passed")).isVisible();
    assertThat(page.getByText("Now open: Fault report for a rider")).isVisible();
    link(page, "Next: Fault report for a rider").click();
    page.getByLabel("Your work")
        .fill("The crank is loose and has to be done now, 9. The tyre can wait.");
    button(page, "Hand in").click();
    assertThat(page.getByText(Pattern.compile("Staff mark it next"))).isVisible();
  }

  @Test
  @Order(5)
  void a_facilitator_marks_it_while_the_learner_watches_and_both_see_it_at_once() {
    Page learner = school.signedIn("celeste");
    assertThat(learner.getByText(Pattern.compile("staff mark it next"))).isVisible();
    Page page = school.signedIn("tomas");
    go(page, "/c/3/teach/marking");
    page.getByRole(
            AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Celeste Adeyo")))
        .click();
    met(page, "What was done to the brakes", "On my own").click();
    Locator measured = met(page, "Measured before and after", "Nothing measured");
    measured.focus();
    measured.press("3");
    met(page, "A sentence for the rider", "On my own").click();
    assertThat(page.getByLabel("Points of 20")).hasValue("18");
    page.getByLabel("Comment on “A sentence for the rider”").fill("Short and right.");
    page.getByLabel("Points of 20").fill("17");
    page.getByLabel("Comment", new Page.GetByLabelOptions().setExact(true))
        .fill("Every bolt has its number.");
    button(page, "Send to Celeste Adeyo").click();
    assertThat(page.getByText("Sent to Celeste Adeyo.")).isVisible();
    assertThat(learner.getByText("4. Drivetrain")).isVisible();
    assertThat(learner.getByText("Limits, cable tension, indexing").first()).isVisible();
    learner.getByText("3. Brakes").click();
    link(learner, "Brake job card").click();
    assertThat(learner.getByText("Every bolt has its number.")).isVisible();
    assertThat(learner.getByText("Job card: 18 of 20 points")).isVisible();
    assertThat(learner.getByText("Short and right.")).isVisible();
    link(learner, "My badges").click();
    assertThat(
            learner
                .locator("section")
                .filter(new Locator.FilterOptions().setHasText("Brake Hand"))
                .getByText(Pattern.compile("^earned ")))
        .isVisible();
  }

  @Test
  @Order(6)
  void progress_explains_a_learner_and_a_single_bead_and_staff_can_act() {
    Page page = school.signedIn("odalys");
    go(page, "/c/3/watch/progress");
    page.getByText("Juno Abara").click();
    Locator inspector = page.getByLabel("Inspector");
    assertThat(inspector.getByText(Pattern.compile("All 3 attempts used, best 53 %"))).isVisible();
    assertThat(inspector.getByText(Pattern.compile("It holds 14 later steps shut"))).isVisible();
    Locator thread =
        page.getByRole(
            AriaRole.SLIDER, new Page.GetByRoleOptions().setName(Pattern.compile("^Juno Abara")));
    thread.focus();
    for (int n = 0; n < 11; n++) page.keyboard().press("ArrowRight");
    assertThat(inspector.locator("h1")).hasText("Pads, cables, levers");
    assertThat(inspector.getByText("Staff must act: it is out of reach otherwise.")).isVisible();
    inspector.getByText("Give an attempt").click();
    assertThat(inspector.getByText("It is Juno Abara’s turn.")).isVisible();
  }

  @Test
  @Order(7)
  void mastery_shows_the_evidence_behind_a_cell() {
    Page page = school.signedIn("tomas");
    go(page, "/c/3/watch/mastery");
    page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Ilse Tran")))
        .getByRole(AriaRole.GRIDCELL)
        .nth(4)
        .click();
    Locator inspector = page.getByLabel("Inspector");
    assertThat(inspector.getByText("The best piece of evidence counts.")).isVisible();
    assertThat(inspector.getByText(Pattern.compile("Brake set-up practical")).first()).isVisible();
  }

  @Test
  @Order(7)
  void grades_and_mastery_are_one_key_apart_with_the_same_learners() {
    Page page = school.signedIn("tomas");
    go(page, "/c/3/watch/mastery");
    page.getByLabel("Find a learner").fill("ilse");
    assertThat(page.getByText("1 learner", new Page.GetByTextOptions().setExact(true))).isVisible();
    Locator grid = page.getByRole(AriaRole.GRID);
    grid.focus();
    page.keyboard().press("ArrowDown");
    page.keyboard().press("g");
    assertThat(
            page.getByRole(
                AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Name that tool")))
        .isVisible();
    assertThat(page.getByText("1 learner", new Page.GetByTextOptions().setExact(true))).isVisible();
    page.keyboard().press("g");
    assertThat(button(page, "SAFE")).isVisible();
    button(page, "Over time").click();
    assertThat(page.getByLabel("Inspector").getByText("Share at mastery over time")).isVisible();
  }

  @Test
  @Order(7)
  void learners_are_rated_in_one_go_and_it_can_be_taken_back() {
    Page page = school.signedIn("tomas");
    go(page, "/c/3/watch/mastery");
    Locator find = page.getByLabel("Find a learner");
    for (String name : List.of("Gwen Takeda", "Ruben Sato")) {
      find.fill(name);
      page.getByLabel("Tick " + name).check();
    }
    button(page, "Rate 2 learners").first().click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByText("On my own").click();
    dialog.getByLabel("What you saw (learners read it)").fill("At the open evening");
    dialog
        .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Rate 2 learners"))
        .click();
    assertThat(page.getByText("2 learners rated on SAFE.")).isVisible();
    Locator rated =
        page.getByRole(
                AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("Ruben Sato")))
            .getByRole(AriaRole.IMG, new Locator.GetByRoleOptions().setName("SAFE: On my own"));
    assertThat(rated).isVisible();
    button(page, "Undo").click();
    assertThat(rated).isHidden();
  }

  @Test
  @Order(8)
  void a_course_takes_a_framework_s_new_words_and_adopts_another_outcome() {
    Page page = school.signedIn("odalys");
    go(page, "/c/3/plan/outcomes");
    button(page, "See and decide").click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog.getByText(Pattern.compile("order in which bolts are turned"))).isVisible();
    dialog.getByText("Take the new words").click();
    assertThat(dialog.getByText("Everything is decided.")).isVisible();
    dialog.getByText("Close").click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Adopt").setExact(true))
        .click();
    dialog.getByLabel("ORDER Leave a bench as it was found").check();
    dialog.getByText("Adopt 1").click();
    assertThat(page.locator("main").getByText("Leave a bench as it was found")).isVisible();
  }

  @Test
  @Order(7)
  void coverage_shows_gaps_and_ties_with_a_key() {
    Page page = school.signedIn("odalys");
    go(page, "/c/5/plan/outcomes");
    button(page, "Coverage").click();
    Locator row =
        page.getByRole(AriaRole.ROW, new Page.GetByRoleOptions().setName(Pattern.compile("TUBE")));
    assertThat(row.getByText("nowhere assessed")).isVisible();
    page.getByRole(AriaRole.GRID).focus();
    page.keyboard().press("ArrowRight");
    page.keyboard().press("Space");
    assertThat(row.getByText("assessed 1")).isVisible();
    assertThat(page.getByRole(AriaRole.STATUS).getByText("TUBE")).isVisible();
  }

  @Test
  @Order(7)
  void a_scale_gains_a_level_after_saying_what_that_does() {
    Page page = school.signedIn("odalys");
    go(page, "/c/3/plan/outcomes");
    button(page, "Scales").click();
    Locator third = page.getByLabel("Level 3", new Page.GetByLabelOptions().setExact(true));
    assertThat(third).isDisabled();
    button(page, "Make it our own").click();
    third.fill("Alone");
    button(page, "Add a level above").click();
    button(page, "Save scale").click();
    assertThat(page.getByText(Pattern.compile("will read “Alone”"))).isVisible();
    assertThat(page.getByText(Pattern.compile("Nobody is at “Level 5” yet"))).isVisible();
    button(page, "Close").click();
    go(page, "/c/3/plan/outcomes");
    button(page, "Scales").click();
    assertThat(page.getByLabel("Level 3", new Page.GetByLabelOptions().setExact(true)))
        .hasValue("On my own");
  }

  @Test
  @Order(8)
  void ticked_learners_each_get_a_letter_and_it_stays_with_their_history() {
    Page page = school.signedIn("tomas");
    go(page, "/c/3/reach/follow-up");
    page.getByLabel("Tick Ruben Sato").check();
    page.getByLabel("Tick Edda Marsh").check();
    button(page, "Write to 2 learners").click();
    button(page, "Send 2 letters").click();
    assertThat(page.getByText("2 letters on their way.")).isVisible();
    page.waitForCondition(() ->
        school.mailroom.letters().stream()
                .filter(l -> l.subject().startsWith("How is it going"))
                .count()
            == 2);
    assertThat(school.mailroom.letters())
        .extracting(Letter::to)
        .contains("ruben@hollowlane.example", "edda@hollowlane.example");
    Letter toRuben =
        school.mailroom.letters().stream()
            .filter(l -> l.to().startsWith("ruben"))
            .findFirst()
            .orElseThrow();
    assertThat(toRuben.body()).startsWith("Hello Ruben,").contains("- Your bench and the stand");
    button(page, "Ruben Sato").click();
    assertThat(page.getByLabel("Inspector").getByText(Pattern.compile("How is it going, Ruben")))
        .isVisible();
  }

  @Test
  @Order(12)
  void an_answer_reaches_whoever_wrote_in_the_application_and_by_mail() {
    Page staff = school.signedIn("tomas");
    go(staff, "/c/3/reach/messages");
    staff.locator("main h1").first().waitFor();
    Page ruben = school.signedIn("ruben");
    ruben.getByText("Messages (1)").click();
    assertThat(ruben.locator("main").getByText(Pattern.compile("Hello Ruben,"))).isVisible();
    ruben.getByLabel("Write to Tomas Weir").fill("I begin on Saturday.");
    button(ruben, "Send to Tomas").click();
    assertThat(ruben.getByText("Messages", new Page.GetByTextOptions().setExact(true))).isVisible();
    Locator line =
        staff.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("Ruben Sato.*1 new letter")));
    assertThat(line).isVisible();
    line.click();
    assertThat(staff.locator("#main").getByText("I begin on Saturday.")).isVisible();
    ruben.waitForCondition(() ->
        school.mailroom.letters().stream()
            .anyMatch(
                l -> l.to().startsWith("tomas") && l.subject().startsWith("Re: How is it going")));
  }

  @Test
  @Order(13)
  void a_film_counts_by_the_seconds_played_and_opens_what_waited_for_it() {
    Page page = school.signedIn("aiko");
    go(page, "/c/3/my/route");
    assertThat(page.getByText(Pattern.compile("41 % watched"))).isVisible();
    page.locator("main").getByText("Watch", new Locator.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByText("41 % of 0:46 watched")).isVisible();
    page.evaluate(
        "() => { const film = document.querySelector('video'); film.muted = true;"
            + " film.currentTime = 30; film.playbackRate = 2; return film.play(); }");
    assertThat(page.getByText(Pattern.compile("^7[5-7] % of 0:46 watched"))).isVisible();
    button(page, "Go on at 0:19").click();
    page.evaluate("() => { document.querySelector('video').playbackRate = 2; }");
    assertThat(page.getByText("100 % of 0:46 watched")).isVisible();
    assertThat(page.getByText("Done", new Page.GetByTextOptions().setExact(true))).isVisible();
    go(page, "/c/3/my/route");
    assertThat(page.getByText("Limits, cable tension, indexing").first()).isVisible();
    assertThat(page.locator("main h1").first()).hasText("Limits, cable tension, indexing");
  }

  @Test
  @Order(14)
  void the_register_is_taken_by_keys_and_absence_shows_in_follow_up() {
    Page page = school.signedIn("tomas");
    go(page, "/c/3/teach/register");
    Locator sheet = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Register"));
    Locator edda =
        page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Edda Marsh"));
    var late = new Locator.GetByRoleOptions().setName("Late").setExact(true);
    edda.getByRole(AriaRole.BUTTON, late).click();
    assertThat(edda.getByRole(AriaRole.BUTTON, late)).hasAttribute("aria-pressed", "true");
    sheet.focus();
    sheet.press("j");
    sheet.press("5");
    sheet.press("k");
    sheet.press("Backspace");
    assertThat(page.getByText(Pattern.compile("1 not marked")).first()).isVisible();
    go(page, "/c/3/teach/register");
    assertThat(
            page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Edda Marsh"))
                .getByRole(AriaRole.BUTTON, late))
        .hasAttribute("aria-pressed", "true");
    go(page, "/c/3/reach/follow-up");
    assertThat(page.getByText("At 0 of 5 sessions, 0 %.")).isVisible();
  }

  @Test
  @Order(9)
  void the_session_cannot_be_read_by_scripts_and_ends_with_signing_out() {
    Page page = school.signedIn("ilse");
    var session =
        page.context().cookies().stream()
            .filter(c -> c.name.equals("yendrik"))
            .findFirst()
            .orElseThrow();
    assertThat(session.httpOnly).isTrue();
    page.getByLabel("Account of Ilse Tran").click();
    page.getByText("Sign out").click();
    assertThat(page.getByLabel("Password")).isVisible();
    go(page, "/c/3/my/route");
    assertThat(page.getByLabel("Password")).isVisible();
  }

  @Test
  @Order(11)
  void the_first_load_of_a_learner_stays_small() {
    Page page = school.signedIn("ilse");
    go(page, "/c/3/my/route");
    page.locator("main h1").first().waitFor();
    assertThat(transferred(page)).as("kB of scripts, styles and fonts").isBetween(100.0, 210.0);
  }

  @Test
  @Order(12)
  void eight_tabs_of_a_browser_work_beside_each_other() {
    Page first = school.signedIn("tomas");
    go(first, "/c/3/watch/progress");
    for (int n = 0; n < 7; n++) {
      Page tab = first.context().newPage();
      go(tab, "/c/3/watch/progress");
      assertThat(tab.getByText("Juno Abara").first()).isVisible();
    }
    link(first, "Mastery").first().click();
    assertThat(first.getByText("Juno Abara").first()).isVisible();
  }

  @Test
  @Order(13)
  void what_is_changed_without_a_connection_waits_and_is_saved_when_it_is_back() {
    Page page = school.signedIn("odalys");
    go(page, "/c/5/plan/route");
    button(page, "How a patch holds").click();
    page.context().setOffline(true);
    page.getByLabel("Name").fill("How patches hold");
    page.getByLabel("Name").press("Enter");
    assertThat(page.getByText("1 change waits")).isVisible();
    page.context().setOffline(false);
    assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true))).isVisible();
    assertThat(button(page, "How patches hold")).isVisible();
  }

  @Test
  @Order(14)
  void a_view_that_cannot_be_fetched_leaves_the_frame_and_a_way_back() {
    Page page = school.signedIn("tomas");
    go(page, "/c/3/watch/progress");
    assertThat(page.getByText("Juno Abara").first()).isVisible();
    page.route("**/assets/Grades*", route -> route.abort());
    link(page, "Grades").first().click();
    assertThat(page.getByText("This part could not be fetched.")).isVisible();
    link(page, "Mastery").first().click();
    assertThat(page.getByText("Juno Abara").first()).isVisible();
    page.unroute("**/assets/Grades*");
    link(page, "Grades").first().click();
    button(page, "Try again").click();
    assertThat(page.getByText("Juno Abara").first()).isVisible();
  }

  /**
   * Everything but the answers of the server, as it came over the wire, in units of 1,000 bytes.
   */
  private static double transferred(Page page) {
    Object bytes =
        page.evaluate(
            "performance.getEntriesByType('resource').filter(r => !r.name.includes('/api/'))"
                + ".concat(performance.getEntriesByType('navigation'))"
                + ".reduce((sum, r) => sum + (r.encodedBodySize || r.transferSize), 0)");
    double sum = ((Number) bytes).doubleValue() / 1000;
    System.out.printf("first load of %s: %.0f kB%n", page.url(), sum);
    return sum;
  }

  @Test
  @Order(10)
  void no_view_has_serious_barriers_and_none_asks_another_machine() throws IOException {
    String axe = Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js"));
    var barriers = new SoftAssertions();
    Page staff = school.signedIn("odalys");
    staff.onRequest(request -> assertThat(request.url()).startsWith(school.address));
    for (String view :
        List.of(
            "plan/outcomes",
            "plan/rubrics",
            "plan/route",
            "plan/badges",
            "teach/marking",
            "teach/register",
            "reach/messages",
            "watch/progress",
            "watch/mastery",
            "watch/mastery?sel=class",
            "watch/grades",
            "reach/follow-up",
            "practice/route")) check(barriers, staff, axe, "/c/3/" + view);
    Page learner = school.signedIn("ilse");
    for (String view : List.of("my/route", "my/outcomes", "my/badges", "my/messages"))
      check(barriers, learner, axe, "/c/3/" + view);
    for (String step : steps(learner)) check(barriers, learner, axe, step);
    Page dark = school.signedIn("ilse", 390, ColorScheme.DARK);
    for (String view : List.of("my/route", "my/outcomes", "my/badges"))
      check(barriers, dark, axe, "/c/3/" + view);
    barriers.assertAll();
    Object width = dark.evaluate("document.documentElement.scrollWidth");
    assertThat(((Number) width).intValue())
        .as("nothing sticks out on a phone")
        .isLessThanOrEqualTo(390);
  }

  /** The addresses of one open step of each kind, as the route links them. */
  private static List<String> steps(Page page) {
    go(page, "/c/3/my/route");
    page.locator("main h1").first().waitFor();
    page.locator("summary").all().forEach(Locator::click);
    return List.of(
            "Your bench and the stand",
            "Name that tool",
            "Toe-in, and why pads squeal",
            "Brake set-up practical",
            "Brake job card")
        .stream()
        .map(name -> page.locator("a", new Page.LocatorOptions().setHasText(name)).first())
        .map(a -> a.getAttribute("href"))
        .toList();
  }

  @SuppressWarnings("unchecked") // axe answers with plain maps
  private static void check(SoftAssertions barriers, Page page, String axe, String view) {
    go(page, view);
    page.locator("main").waitFor();
    page.waitForTimeout(700);
    page.evaluate(axe + "; undefined");
    var found =
        (List<Map<String, Object>>)
            page.evaluate(
                "axe.run(document, {resultTypes: ['violations']}).then(r => r.violations"
                    + ".filter(v => v.impact === 'serious' || v.impact === 'critical')"
                    + ".map(v => ({id: v.id, help: v.help, nodes: v.nodes.slice(0, 3).map(n => n.html).join(' | ')})))");
    barriers.assertThat(found).as(view).isEmpty();
  }
}
