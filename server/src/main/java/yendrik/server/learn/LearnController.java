package yendrik.server.learn;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.record.Fact;
import yendrik.server.design.Film;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.AttemptView;
import yendrik.server.learn.RouteViews.ResultView;
import yendrik.server.learn.RouteViews.RouteView;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/**
 * A learner's side. {@code {walk}} is {@code mine} for a learner, or {@code practice} for staff who
 * walk the draft as a made-up learner.
 */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}")
class LearnController {
  private final Walks walks;
  private final Routes routes;
  private final Steps steps;
  private final Files files;

  LearnController(Walks walks, Routes routes, Steps steps, Files files) {
    this.walks = walks;
    this.routes = routes;
    this.steps = steps;
    this.files = files;
  }

  private long enrolment(Seat seat, String walk) {
    return switch (walk) {
      case "mine" ->
          seat.enrolment()
              .orElseThrow(() -> Problem.forbidden("You are not enrolled in this course."));
      case "practice" -> {
        if (seat.role().isEmpty()) throw Problem.forbidden("Only staff walk as a made-up learner.");
        yield walks.practice(seat.course(), seat.person().id());
      }
      default -> throw Problem.notFound("walk");
    };
  }

  @GetMapping("/route")
  @Needs(Right.LEARN)
  RouteView route(@PathVariable long course, @PathVariable String walk, Seat seat) {
    return routes.route(walks.see(enrolment(seat, walk)));
  }

  @PostMapping("/visits")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void visit(@PathVariable long course, @PathVariable String walk, Seat seat) {
    walks.act(
        enrolment(seat, walk), Optional.of(seat.person().id()), _ -> List.of(new Fact.WasHere()));
  }

  /** Opens a step; being a fact, this is not a GET. */
  @PostMapping("/steps/{step}/visits")
  @Needs(Right.LEARN)
  StepPage open(
      @PathVariable long course, @PathVariable String walk, @PathVariable long step, Seat seat) {
    return steps.open(enrolment(seat, walk), seat.person().id(), step);
  }

  record Time(@Min(1) @Max(600) int seconds) {}

  @PostMapping("/steps/{step}/time")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void time(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      Seat seat,
      @Valid @RequestBody Time time) {
    steps.spend(enrolment(seat, walk), seat.person().id(), step, time.seconds());
  }

  @PostMapping("/steps/{step}/confirmation")
  @Needs(Right.LEARN)
  StepPage confirm(
      @PathVariable long course, @PathVariable String walk, @PathVariable long step, Seat seat) {
    return steps.confirm(enrolment(seat, walk), seat.person().id(), step);
  }

  /** The film of an open step; ranges are understood. */
  @GetMapping("/steps/{step}/film")
  @Needs(Right.LEARN)
  ResponseEntity<Resource> film(
      @PathVariable long course, @PathVariable String walk, @PathVariable long step, Seat seat) {
    Film film = steps.film(enrolment(seat, walk), step);
    Files.Kept file =
        files.of(seat.course(), film.file()).orElseThrow(() -> Problem.notFound("film"));
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(file.mediaType()))
        .cacheControl(CacheControl.noCache().cachePrivate())
        .body(files.content(file));
  }

  record Played(@Min(0) int from, @Min(1) int to) {}

  @PostMapping("/steps/{step}/played")
  @Needs(Right.LEARN)
  StepPage watch(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      Seat seat,
      @Valid @RequestBody Played played) {
    return steps.watch(enrolment(seat, walk), seat.person().id(), step, played.from(), played.to());
  }

  @PostMapping("/steps/{step}/attempts")
  @Needs(Right.LEARN)
  AttemptView begin(
      @PathVariable long course, @PathVariable String walk, @PathVariable long step, Seat seat) {
    return steps.begin(enrolment(seat, walk), seat.person().id(), step);
  }

  record Answers(@NotNull @Size(max = 500) Map<String, String> answers) {}

  @PutMapping("/steps/{step}/attempts/{number}")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      @PathVariable int number,
      Seat seat,
      @Valid @RequestBody Answers answers) {
    steps.keep(enrolment(seat, walk), step, number, answers.answers());
  }

  @PostMapping("/steps/{step}/attempts/{number}/result")
  @Needs(Right.LEARN)
  ResultView finish(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      @PathVariable int number,
      Seat seat,
      @Valid @RequestBody Answers answers) {
    return steps.finish(enrolment(seat, walk), seat.person().id(), step, number, answers.answers());
  }

  @GetMapping("/steps/{step}/attempts/{number}/result")
  @Needs(Right.LEARN)
  ResultView review(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      @PathVariable int number,
      Seat seat) {
    return steps.review(enrolment(seat, walk), step, number);
  }

  record Work(@NotBlank(message = "write something first") @Size(max = 100_000) String text) {}

  @PostMapping("/steps/{step}/versions")
  @Needs(Right.LEARN)
  StepPage handIn(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      Seat seat,
      @Valid @RequestBody Work work) {
    return steps.handIn(enrolment(seat, walk), seat.person().id(), step, work.text());
  }

  record PracticeMark(@NotNull Fact.Judgement judgement) {}

  @PostMapping("/steps/{step}/practice-marks")
  @Needs(Right.TEACH)
  StepPage judge(
      @PathVariable long course,
      @PathVariable String walk,
      @PathVariable long step,
      Seat seat,
      @Valid @RequestBody PracticeMark mark) {
    if (!walk.equals("practice")) throw Problem.notFound("walk");
    return steps.judgeInPractice(enrolment(seat, walk), seat.person().id(), step, mark.judgement());
  }

  /** Takes the made-up learner away, with every trace. */
  @PostMapping("/fresh-start")
  @Needs(Right.TEACH)
  RouteView startOver(@PathVariable long course, @PathVariable String walk, Seat seat) {
    if (!walk.equals("practice")) throw Problem.notFound("walk");
    walks.startOver(seat.course(), seat.person().id());
    Walk fresh = walks.see(walks.practice(seat.course(), seat.person().id()));
    return routes.route(fresh);
  }
}
