package yendrik.server.design;

import jakarta.validation.Valid;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.course.StepKind;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.FlagId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.copy.Usual;
import yendrik.core.rule.words.Proposals;
import yendrik.server.design.DesignViews.BadgeView;
import yendrik.server.design.DesignViews.CourseRulesView;
import yendrik.server.design.DesignViews.DesignView;
import yendrik.server.design.DesignViews.FlagView;
import yendrik.server.design.DesignViews.ModuleView;
import yendrik.server.design.DesignViews.OutcomeView;
import yendrik.server.design.DesignViews.StepView;
import yendrik.server.design.DesignViews.UsualView;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.IfMatch;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** The draft of a course. {@code If-Match} carries the version that the sender saw. */
@RestController
@RequestMapping("/api/courses/{course}/design")
class DesignController {
  private static final int MOST_PROPOSALS = 8;
  private final Drafting drafting;
  private final Drafts drafts;
  private final Designs designs;
  private final Clock clock;
  private final Institutions institutions;

  DesignController(
      Drafting drafting, Drafts drafts, Designs designs, Institutions institutions, Clock clock) {
    this.institutions = institutions;
    this.drafts = drafts;
    this.drafting = drafting;
    this.designs = designs;
    this.clock = clock;
  }

  @GetMapping
  @Needs(Right.PLAN)
  DesignView design(@PathVariable CourseId course) {
    return drafting.view(course);
  }

  @PostMapping("/outcomes")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  OutcomeView addOutcome(
      @PathVariable CourseId course, @Valid @RequestBody DesignEdits.OutcomeEdit edit) {
    return drafts.outcomes().add(course, edit);
  }

  @PatchMapping("/outcomes/{id}")
  @Needs(Right.PLAN)
  OutcomeView changeOutcome(
      @PathVariable CourseId course,
      @PathVariable OutcomeId id,
      @Valid @RequestBody FieldsEdit edit) {
    return drafts.outcomes().change(course, id, edit);
  }

  @PutMapping("/outcomes/order")
  @Needs(Right.PLAN)
  DesignView orderOutcomes(
      @PathVariable CourseId course, @Valid @RequestBody DesignEdits.OutcomeOrder order) {
    return drafting.orderOutcomes(course, order);
  }

  @PostMapping("/modules")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  ModuleView addModule(
      @PathVariable CourseId course, @Valid @RequestBody DesignEdits.NewModule edit) {
    return drafts.modules().add(course, edit);
  }

  @PatchMapping("/modules/{id}")
  @Needs(Right.PLAN)
  ModuleView changeModule(
      @PathVariable CourseId course,
      @PathVariable ModuleId id,
      @Valid @RequestBody FieldsEdit edit) {
    return drafts.modules().change(course, id, edit);
  }

  @PostMapping("/steps")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  StepView addStep(@PathVariable CourseId course, @Valid @RequestBody DesignEdits.NewStep edit) {
    return drafts.steps().add(course, edit);
  }

  /** What the same step would be again, before it is. */
  @PostMapping("/steps/{id}/copies/preview")
  @Needs(Right.PLAN)
  List<StepDrafts.Copy> previewCopies(
      @PathVariable CourseId course,
      @PathVariable StepId id,
      @Valid @RequestBody DesignEdits.SameAgain again) {
    return drafts.steps().copies(course, id, again);
  }

  /** Makes the same step again, as often as wanted, after it in its module. */
  @PostMapping("/steps/{id}/copies")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  List<StepView> copyStep(
      @PathVariable CourseId course,
      @PathVariable StepId id,
      @Valid @RequestBody DesignEdits.SameAgain again) {
    return drafts.steps().copy(course, id, again);
  }

  @PatchMapping("/steps/{id}")
  @Needs(Right.PLAN)
  StepView changeStep(
      @PathVariable CourseId course, @PathVariable StepId id, @Valid @RequestBody FieldsEdit edit) {
    return drafts.steps().change(course, id, edit);
  }

  @PostMapping("/badges")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  BadgeView addBadge(
      @PathVariable CourseId course, @Valid @RequestBody DesignEdits.BadgeEdit edit) {
    return drafts.badges().add(course, edit);
  }

  @PatchMapping("/badges/{id}")
  @Needs(Right.PLAN)
  BadgeView changeBadge(
      @PathVariable CourseId course,
      @PathVariable BadgeId id,
      @Valid @RequestBody FieldsEdit edit) {
    return drafts.badges().change(course, id, edit);
  }

  /** Changes the rules of the course as a whole: its order, when it is complete. */
  @PatchMapping("/course")
  @Needs(Right.PLAN)
  CourseRulesView changeRules(@PathVariable CourseId course, @Valid @RequestBody FieldsEdit edit) {
    return drafts.rules().change(course, edit);
  }

  /** Changes what is usual for new steps of a kind, which is named by its sample. */
  @PatchMapping("/usual/{id}")
  @Needs(Right.PLAN)
  UsualView changeUsual(
      @PathVariable CourseId course, @PathVariable StepId id, @Valid @RequestBody FieldsEdit edit) {
    StepKind kind = Usual.kindOf(id).orElseThrow(() -> Problem.notFound("kind"));
    return drafts.rules().changeUsual(course, kind, edit);
  }

  @PostMapping("/flags")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.CREATED)
  FlagView addFlag(@PathVariable CourseId course, @Valid @RequestBody DesignEdits.FlagEdit edit) {
    return drafts.rules().addFlag(course, edit);
  }

  @PatchMapping("/flags/{id}")
  @Needs(Right.PLAN)
  FlagView changeFlag(
      @PathVariable CourseId course, @PathVariable FlagId id, @Valid @RequestBody FieldsEdit edit) {
    return drafts.rules().changeFlag(course, id, edit);
  }

  @PutMapping("/order")
  @Needs(Right.PLAN)
  DesignView order(@PathVariable CourseId course, @Valid @RequestBody DesignEdits.OrderEdit order) {
    return drafting.order(course, order);
  }

  /** Takes something away; with a version only as it was then, and with nothing in it. */
  @DeleteMapping("/{part}/{id}")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(
      @PathVariable CourseId course,
      @PathVariable String part,
      @PathVariable long id,
      @RequestHeader("If-Match") Optional<String> version) {
    drafting.remove(course, part, id, version.map(IfMatch::version));
  }

  /** Brings back what was taken away. */
  @PostMapping("/{part}/{id}/restoration")
  @Needs(Right.PLAN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void restore(@PathVariable CourseId course, @PathVariable String part, @PathVariable long id) {
    drafting.restore(course, part, id);
  }

  record ProposalView(Map<String, Object> leaf, String subject, String says) {}

  /**
   * Conditions for what was typed, at a place such as {@code step-opens} and its id.
   *
   * @param like the condition in whose place one will stand, as it is kept
   */
  @GetMapping("/proposals")
  @Needs(Right.PLAN)
  List<ProposalView> proposals(
      @PathVariable CourseId course,
      @RequestParam String text,
      @RequestParam String place,
      @RequestParam long id,
      @RequestParam Optional<String> like) {
    var design = RulePlaces.known(designs.draft(course).design(), place, id);
    var today = LocalDate.ofInstant(clock.instant(), design.zone());
    Set<OutcomeId> retired = drafts.outcomes().retired(course);
    int most = MOST_PROPOSALS + retired.size();
    var proposals =
        new Proposals(design, RulePlaces.at(place, id), today, institutions.catalogue());
    return like
        .map(l -> proposals.inPlaceOf(Json.leaf("like", l), text, most))
        .orElseGet(() -> proposals.forText(text, most))
        .stream()
        .filter(p -> outcome(p.leaf()).filter(retired::contains).isEmpty())
        .limit(MOST_PROPOSALS)
        .map(p -> new ProposalView(Json.map(p.leaf()), p.sentence().subject(), p.sentence().says()))
        .toList();
  }

  private static Optional<OutcomeId> outcome(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfOutcome of -> Optional.of(of.outcome());
      case Leaf.NoEvidence none -> Optional.of(none.outcome());
      default -> Optional.empty();
    };
  }
}
