package yendrik.server.watch;

import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.StepId;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.watch.WatchViews.BeadView;
import yendrik.server.watch.WatchViews.CellView;
import yendrik.server.watch.WatchViews.FollowView;
import yendrik.server.watch.WatchViews.LearnerView;
import yendrik.server.watch.WatchViews.TrendView;
import yendrik.server.way.Walks;

@RestController
@RequestMapping("/api/courses/{course}")
class WatchController {
  private final Watching watching;
  private final Standings standings;
  private final Learners learners;
  private final Walks walks;

  WatchController(Watching watching, Standings standings, Learners learners, Walks walks) {
    this.watching = watching;
    this.standings = standings;
    this.learners = learners;
    this.walks = walks;
  }

  @GetMapping("/learners/{enrolment}")
  @Needs(Right.TEACH)
  LearnerView learner(
      @PathVariable CourseId course, @PathVariable EnrolmentId enrolment, Seat seat) {
    return watching.learner(seat, enrolment);
  }

  @GetMapping("/learners/{enrolment}/steps/{step}")
  @Needs(Right.TEACH)
  BeadView bead(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable StepId step,
      Seat seat) {
    return watching.bead(seat, enrolment, step);
  }

  /** Share at mastery by outcome at the end of each week; of one group, or of all. */
  @GetMapping("/mastery/trend")
  @Needs(Right.TEACH)
  TrendView trend(@PathVariable CourseId course, @RequestParam Optional<GroupId> group, Seat seat) {
    return standings.trend(seat, group);
  }

  @GetMapping("/learners/{enrolment}/outcomes/{outcome}")
  @Needs(Right.TEACH)
  CellView cell(
      @PathVariable CourseId course,
      @PathVariable EnrolmentId enrolment,
      @PathVariable OutcomeId outcome,
      Seat seat) {
    return watching.cell(seat, enrolment, outcome);
  }

  @GetMapping("/follow-up")
  @Needs(Right.TEACH)
  List<FollowView> followUp(@PathVariable CourseId course, Seat seat) {
    return watching.followUp(seat);
  }
}
