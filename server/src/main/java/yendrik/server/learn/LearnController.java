package yendrik.server.learn;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.strand.work.Judgement;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.RouteView;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.people.Accounts;
import yendrik.server.people.Accounts.What;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.people.Whence;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/**
 * A learner's side. {@code {walk}} is {@code mine} for a learner, or {@code practice} for staff who
 * walk the draft as a made-up learner.
 */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}")
class LearnController {
  private final Walks walks;
  private final Wayfarer wayfarer;
  private final Routes routes;
  private final Steps steps;
  private final Accounts accounts;
  private final Eyes eyes;
  private final AsIfSo asIfSo;

  LearnController(
      Walks walks,
      Wayfarer wayfarer,
      Routes routes,
      Steps steps,
      Accounts accounts,
      Eyes eyes,
      AsIfSo asIfSo) {
    this.asIfSo = asIfSo;
    this.eyes = eyes;
    this.accounts = accounts;
    this.walks = walks;
    this.wayfarer = wayfarer;
    this.routes = routes;
    this.steps = steps;
  }

  @GetMapping("/route")
  @Needs(Right.LEARN)
  RouteView route(
      @PathVariable CourseId course, @PathVariable String walk, Seat seat, Whence whence) {
    if (Wayfarer.watched(walk)) return watched(seat, walk, whence);
    if (wayfarer.begins(seat, walk))
      accounts.note(What.WALKED_AS_LEARNER, seat.person(), whence, "course " + course);
    return wayfarer.going(seat, walk, way -> routes.route(walks.see(way)));
  }

  private RouteView watched(Seat seat, String walk, Whence whence) {
    Way way = wayfarer.way(seat, walk);
    accounts.noteOnce(
        What.LOOKED_AS_LEARNER,
        seat.person(),
        whence,
        "course " + seat.course() + ", enrolment " + way.enrolment());
    return routes.route(walks.see(way));
  }

  /**
   * An open step as somebody sees it who only looks: nothing comes of it. Whoever walks their own
   * way opens it.
   */
  @GetMapping("/steps/{step}")
  @Needs(Right.LEARN)
  StepPage look(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat) {
    if (!Wayfarer.watched(walk)) throw Problem.notFound("walk");
    return steps.look(wayfarer.way(seat, walk), step);
  }

  /**
   * All that has to come before a closed step opens, in its order, also at steps that are closed
   * themselves.
   */
  @GetMapping("/steps/{step}/way")
  @Needs(Right.LEARN)
  List<Explaining.Left> wayTo(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat) {
    Walk there = walks.see(wayfarer.way(seat, walk));
    return Explaining.toLearner(there).wayTo(StepDoor.known(there, step));
  }

  /** Through whose eyes somebody on the staff looks. */
  @GetMapping("/eyes")
  @Needs(Right.TEACH)
  Eyes.EyesView eyes(@PathVariable CourseId course, @PathVariable String walk, Seat seat) {
    return eyes.of(seat, walk);
  }

  record GroupsOfWalk(@NotNull @Size(max = 200) List<GroupId> groups) {}

  /** Puts a made-up learner into groups. */
  @PutMapping("/groups")
  @Needs(Right.TEACH)
  Eyes.EyesView join(
      @PathVariable CourseId course,
      @PathVariable String walk,
      Seat seat,
      @Valid @RequestBody GroupsOfWalk groups) {
    return madeUp(
        seat,
        walk,
        practice -> {
          eyes.join(practice, seat.person().id(), groups.groups());
          return eyes.of(seat, walk);
        });
  }

  record ClockOfWalk(@Min(0) @Max(731 * 86_400) long ahead) {}

  /** Winds the clock of a made-up learner forward. */
  @PutMapping("/clock")
  @Needs(Right.TEACH)
  Eyes.EyesView wind(
      @PathVariable CourseId course,
      @PathVariable String walk,
      Seat seat,
      @Valid @RequestBody ClockOfWalk clock) {
    return madeUp(
        seat,
        walk,
        practice -> {
          walks.windForward(practice, clock.ahead());
          return eyes.of(seat, walk);
        });
  }

  /** Does something to a made-up learner, who begins with it if they have not. */
  private <T> T madeUp(Seat seat, String walk, Function<EnrolmentId, T> what) {
    if (!walk.equals(Wayfarer.PRACTICE)) throw Problem.notFound("walk");
    return wayfarer.going(seat, walk, what);
  }

  @PostMapping("/visits")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void visit(@PathVariable CourseId course, @PathVariable String walk, Seat seat) {
    var by = Optional.of(seat.person().id());
    wayfarer.going(seat, walk, way -> walks.act(way, by, _ -> List.of(new Fact.WasHere())));
  }

  record OwnWord(boolean said) {}

  /** The learner says that they have completed the course, or takes that back. */
  @PutMapping("/own-word")
  @Needs(Right.LEARN)
  RouteView ownWord(
      @PathVariable CourseId course,
      @PathVariable String walk,
      Seat seat,
      @Valid @RequestBody OwnWord word) {
    var by = Optional.of(seat.person().id());
    return wayfarer.going(
        seat,
        walk,
        way -> {
          walks.change(way, by, w -> OwnWords.change(w, word.said()));
          return routes.route(walks.see(way));
        });
  }

  /** Opens a step; being a fact, this is not a GET. */
  @PostMapping("/steps/{step}/visits")
  @Needs(Right.LEARN)
  StepPage open(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat) {
    return wayfarer.going(seat, walk, way -> steps.open(way, seat.person().id(), step));
  }

  record Time(@Min(1) @Max(600) int seconds) {}

  @PostMapping("/steps/{step}/time")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void time(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody Time time) {
    steps.spend(wayfarer.enrolment(seat, walk), seat.person().id(), step, time.seconds());
  }

  @PostMapping("/steps/{step}/confirmation")
  @Needs(Right.LEARN)
  StepPage confirm(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat) {
    return steps.confirm(wayfarer.enrolment(seat, walk), seat.person().id(), step);
  }

  /** Opens a step for a made-up learner, whatever its rules say. */
  @PostMapping("/steps/{step}/opening")
  @Needs(Right.TEACH)
  StepPage openAnyway(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat) {
    return madeUp(seat, walk, practice -> steps.openInPractice(practice, seat.person().id(), step));
  }

  record SaidToBe(@NotNull AsIfSo.So so) {}

  /** As if a step were open or done: whatever it takes happens to a made-up learner. */
  @PostMapping("/steps/{step}/as-if")
  @Needs(Right.TEACH)
  RouteView asIf(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody SaidToBe said) {
    return madeUp(
        seat,
        walk,
        practice -> {
          asIfSo.comes(practice, seat.person().id(), step, said.so());
          return routes.route(walks.see(practice));
        });
  }

  record PracticeMark(@NotNull Judgement judgement) {}

  @PostMapping("/steps/{step}/practice-marks")
  @Needs(Right.TEACH)
  StepPage judge(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PracticeMark mark) {
    if (!walk.equals("practice")) throw Problem.notFound("walk");
    return steps.judgeInPractice(
        wayfarer.enrolment(seat, walk), seat.person().id(), step, mark.judgement());
  }

  /** Takes the made-up learner away, with every trace. */
  @PostMapping("/fresh-start")
  @Needs(Right.TEACH)
  RouteView startOver(@PathVariable CourseId course, @PathVariable String walk, Seat seat) {
    if (!walk.equals("practice")) throw Problem.notFound("walk");
    return wayfarer.goingAnew(seat, way -> routes.route(walks.see(way)));
  }
}
