package yendrik.server.design;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.text.ReadRule;
import yendrik.core.rule.text.RuleReader;
import yendrik.core.rule.text.RuleWriter;
import yendrik.core.rule.words.Faults;
import yendrik.core.rule.words.Wording;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** Rules as text: read from it, carried to other steps by it, and all of a course in a file. */
@RestController
@RequestMapping("/api/courses/{course}/design/rules")
class RuleTextController {
  private static final int LONGEST = 20_000;
  private static final int MOST = 500;

  /**
   * @param place such as {@code step-opens}
   * @param id of what has the rule
   */
  record RuleText(@NotNull String place, long id, @NotNull @Size(max = LONGEST) String text) {}

  /** A rule, or where and why the text is none. */
  @Schema(name = "RuleRead")
  record RuleRead(Optional<RuleView> rule, Optional<TextFaultView> fault) {}

  /**
   * @param line from 1
   * @param column from 1
   */
  @Schema(name = "TextFault")
  record TextFaultView(int line, int column, String says) {}

  /**
   * @param done whether it is <em>Done when</em> of the steps, otherwise <em>Opens when</em>
   * @param from the step for which it was made
   * @param rule the rule as it is stored
   */
  record RuleForSteps(
      boolean done,
      StepId from,
      @NotNull Map<String, Object> rule,
      @NotNull @Size(min = 1, max = MOST) List<StepId> steps) {}

  @Schema(name = "RuleOfStep")
  record RuleOfStep(StepId step, RuleView rule) {}

  private final Designs designs;
  private final Institutions institutions;
  private final Clock clock;

  RuleTextController(Designs designs, Institutions institutions, Clock clock) {
    this.designs = designs;
    this.institutions = institutions;
    this.clock = clock;
  }

  /** What a text says as a rule of the draft; nothing is changed. */
  @PostMapping("/read")
  @Needs(Right.PLAN)
  RuleRead read(@PathVariable CourseId course, @Valid @RequestBody RuleText text) {
    RuleAt at = RulePlaces.at(text.place(), text.id());
    CourseDesign design = RulePlaces.known(designs.draft(course).design(), at);
    return switch (RuleReader.read(text.text(), design, at, RuleTextController::fresh)) {
      case ReadRule.Sound(var rule) ->
          new RuleRead(Optional.of(RuleView.of(rule, at, wording(design))), Optional.empty());
      case ReadRule.Faulty(var fault) ->
          new RuleRead(
              Optional.empty(),
              Optional.of(
                  new TextFaultView(fault.line(), fault.column(), institutions.say(fault.says()))));
    };
  }

  /** The rule of one step as it would be of others: what asks about that step asks about them. */
  @PostMapping("/for-steps")
  @Needs(Right.PLAN)
  List<RuleOfStep> forSteps(@PathVariable CourseId course, @Valid @RequestBody RuleForSteps asked) {
    CourseDesign design = designs.draft(course).design();
    Condition asking = Json.condition("rule", asked.rule());
    RuleAt from = at(asked.from(), asked.done());
    String text = RuleWriter.write(asking, RulePlaces.known(design, from), from);
    Wording wording = wording(design);
    return asked.steps().stream()
        .distinct()
        .map(step -> {
          RuleAt at = at(step, asked.done());
          Condition rule =
              switch (RuleReader.read(text, design, at, RuleTextController::fresh)) {
                case ReadRule.Sound(var read) -> read;
                // it names what is gone, and is as faulty there
                case ReadRule.Faulty _ -> asking;
              };
          return new RuleOfStep(step, RuleView.of(rule, at, wording));
        })
        .toList();
  }

  /** All rules of the draft, each under the words for its place. */
  @GetMapping(value = "/text", produces = MediaType.TEXT_PLAIN_VALUE)
  @Needs(Right.PLAN)
  ResponseEntity<String> text(@PathVariable CourseId course) {
    CourseDesign design = designs.draft(course).design();
    var faults = new Faults(design);
    var all = new StringBuilder();
    Rules.of(design)
        .forEach((at, rule) ->
            all.append(institutions.say(faults.place(at)))
                .append(":\n")
                .append(RuleWriter.write(rule, design, at))
                .append("\n\n"));
    return ResponseEntity.ok()
        .contentType(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8))
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"rules.txt\"")
        .body(all.toString());
  }

  private static RuleAt at(StepId step, boolean done) {
    return done ? new RuleAt.StepDone(step) : new RuleAt.StepOpens(step);
  }

  private Wording wording(CourseDesign design) {
    return new Wording(design, institutions.writing(design.zone(), clock.instant()));
  }

  private static NodeId fresh() {
    return new NodeId(UUID.randomUUID().toString().substring(0, 8));
  }
}
