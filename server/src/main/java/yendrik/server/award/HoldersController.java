package yendrik.server.award;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.BadgeId;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;
import yendrik.server.http.WebAddress;
import yendrik.server.institution.Institutions;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;

/** The badges of a course with who holds them. */
@RestController
@RequestMapping("/api/courses/{course}/badges")
class HoldersController {
  private static final int MOST = 500;
  private final Holders holders;
  private final Awarding awarding;
  private final Learners learners;
  private final Institutions institutions;

  HoldersController(
      Holders holders, Awarding awarding, Learners learners, Institutions institutions) {
    this.holders = holders;
    this.awarding = awarding;
    this.learners = learners;
    this.institutions = institutions;
  }

  @GetMapping
  @Needs(Right.TEACH)
  List<Holders.BadgeHeldView> badgesHeld(@PathVariable CourseId course, Seat seat) {
    return holders.all(seat);
  }

  @GetMapping("/{badge}")
  @Needs(Right.TEACH)
  Holders.HoldersView holders(
      @PathVariable CourseId course, @PathVariable BadgeId badge, Seat seat) {
    return holders.of(seat, badge);
  }

  /**
   * @param evidence the address of what shows it
   */
  @Schema(name = "AwardToSeveral")
  record ToSeveral(
      @NotNull @Size(min = 1, max = MOST) List<@NotNull EnrolmentId> learners,
      @NotNull @Size(min = 3, max = 500, message = "no-reason-for-badge") String reason,
      Optional<@Size(max = 500) String> evidence) {}

  /**
   * What came of it.
   *
   * @param left those who did not get it, with the reason
   */
  @Schema(name = "AwardsGiven")
  record Given(int given, List<NotGiven> left) {}

  @Schema(name = "AwardNotGiven")
  record NotGiven(EnrolmentId enrolment, String why) {}

  /** Gives a badge to several; each by itself, so that one who has it does not stop the rest. */
  @PostMapping("/{badge}/awards")
  @Needs(Right.TEACH)
  Given give(
      @PathVariable CourseId course,
      @PathVariable BadgeId badge,
      Seat seat,
      @Valid @RequestBody ToSeveral several) {
    List<EnrolmentId> all = several.learners().stream().distinct().sorted().toList();
    learners.seesAll(seat, all);
    Optional<String> evidence = evidence(several.evidence());
    List<NotGiven> left = new ArrayList<>();
    for (EnrolmentId learner : all)
      try {
        awarding.give(seat, learner, badge, several.reason(), evidence);
      } catch (Problem problem) {
        Phrase why = problem.conflict().orElseThrow(() -> problem);
        left.add(new NotGiven(learner, institutions.say(why)));
      }
    return new Given(all.size() - left.size(), left);
  }

  static Optional<String> evidence(Optional<String> typed) {
    return typed
        .map(String::strip)
        .filter(text -> !text.isEmpty())
        .map(text -> WebAddress.of("evidence", text));
  }
}
