package yendrik.server.discuss;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.util.Optional;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.server.files.Files;
import yendrik.server.files.Sending;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.Wayfarer;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Learners read and write in discussions and journals. */
@RestController
@RequestMapping("/api/courses/{course}/walks/{walk}/steps/{step}/posts")
class PostController {
  private final Wayfarer wayfarer;
  private final Talks talks;
  private final Files files;
  private final PostTexts texts;
  private final Sending sending;

  PostController(Wayfarer wayfarer, Talks talks, Files files, PostTexts texts, Sending sending) {
    this.texts = texts;
    this.wayfarer = wayfarer;
    this.talks = talks;
    this.files = files;
    this.sending = sending;
  }

  /** The threads with the newest posts, or those after them. */
  @GetMapping
  @Needs(Right.LEARN)
  PostViews.DiscussionView read(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @RequestParam Optional<GroupId> group,
      @RequestParam Optional<PostId> before,
      Seat seat) {
    return talks.read(wayfarer.way(seat, walk), seat, step, group, before);
  }

  /** One thread with all its replies. */
  @GetMapping("/{post}")
  @Needs(Right.LEARN)
  PostViews.ThreadView thread(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat) {
    return talks.thread(wayfarer.way(seat, walk), seat, step, post);
  }

  @PostMapping
  @Needs(Right.LEARN)
  StepPage write(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PostForms.PostForm post) {
    return talks.write(wayfarer.enrolment(seat, walk), seat.person().id(), step, post);
  }

  /** Changes what one wrote a short while ago. */
  @PutMapping("/{post}")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat,
      @Valid @RequestBody PostForms.TextForm text) {
    talks.change(wayfarer.enrolment(seat, walk), seat.person().id(), step, post, text);
  }

  /** Takes away what one wrote a short while ago. */
  @DeleteMapping("/{post}")
  @Needs(Right.LEARN)
  StepPage remove(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat) {
    return talks.remove(wayfarer.enrolment(seat, walk), seat.person().id(), step, post);
  }

  @PostMapping("/read")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void reads(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PostForms.ReadsForm read) {
    talks.reads(wayfarer.enrolment(seat, walk), seat.person().id(), step, read.upto());
  }

  /** Takes a file that is to stand in a post or under it. */
  @PostMapping("/files")
  @Needs(Right.LEARN)
  @ResponseStatus(HttpStatus.CREATED)
  Files.Kept addFile(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PostForms.FileForm sent) {
    talks.takesFiles(wayfarer.enrolment(seat, walk), step);
    return files.keep(course, seat.person().id(), sent.upload(), PostFiles.ANY);
  }

  /** A file that one has sent and not posted yet. */
  @GetMapping("/files/{file}")
  @Needs(Right.LEARN)
  ResponseEntity<Resource> ownFile(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    talks.takesFiles(wayfarer.enrolment(seat, walk), step);
    return sending.of(texts.own(course, seat.person().id(), file), request, response);
  }

  /** A file of a post; ranges are understood. */
  @GetMapping("/{post}/files/{file}")
  @Needs(Right.LEARN)
  ResponseEntity<Resource> file(
      @PathVariable CourseId course,
      @PathVariable String walk,
      @PathVariable StepId step,
      @PathVariable PostId post,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    return sending.of(
        talks.file(wayfarer.way(seat, walk), seat, step, post, file), request, response);
  }
}
