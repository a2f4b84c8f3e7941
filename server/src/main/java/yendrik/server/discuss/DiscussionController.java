package yendrik.server.discuss;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.util.List;
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
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.server.files.Files;
import yendrik.server.files.Sending;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Staff read and write in discussions and journals, and remove what should not stand there. */
@RestController
@RequestMapping("/api/courses/{course}/discussions")
class DiscussionController {
  private final StaffTalks talks;
  private final Files files;
  private final PostTexts texts;
  private final Sending sending;

  DiscussionController(StaffTalks talks, Files files, PostTexts texts, Sending sending) {
    this.texts = texts;
    this.talks = talks;
    this.files = files;
    this.sending = sending;
  }

  /** All discussions and journals, in the order of the course. */
  @GetMapping
  @Needs(Right.TEACH)
  List<PostViews.LineView> all(@PathVariable CourseId course, Seat seat) {
    return talks.all(seat);
  }

  /** The threads with the newest posts, or those after them. */
  @GetMapping("/{step}/posts")
  @Needs(Right.TEACH)
  PostViews.DiscussionView read(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @RequestParam Optional<GroupId> group,
      @RequestParam Optional<Boolean> ungrouped,
      @RequestParam Optional<EnrolmentId> journal,
      @RequestParam Optional<PostId> before,
      Seat seat) {
    var chosen = new StaffTalks.Chosen(group, ungrouped.orElse(false), journal);
    return talks.read(seat, step, chosen, before);
  }

  /** One thread with all its replies. */
  @GetMapping("/{step}/posts/{post}")
  @Needs(Right.TEACH)
  PostViews.ThreadView thread(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat) {
    return talks.thread(seat, step, post);
  }

  /** How much each learner wrote. */
  @GetMapping("/{step}/learners")
  @Needs(Right.TEACH)
  List<PostViews.WriterView> writers(
      @PathVariable CourseId course, @PathVariable StepId step, Seat seat) {
    return talks.writers(seat, step);
  }

  /** What one learner wrote, oldest first. */
  @GetMapping("/{step}/learners/{enrolment}")
  @Needs(Right.TEACH)
  List<PostViews.PostView> by(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable EnrolmentId enrolment,
      Seat seat) {
    return talks.by(seat, step, enrolment);
  }

  @PostMapping("/{step}/posts")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.CREATED)
  PostViews.ThreadView write(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PostForms.PostForm post) {
    return talks.write(seat, step, post);
  }

  @PutMapping("/{step}/posts/{post}")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void change(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat,
      @Valid @RequestBody PostForms.TextForm text) {
    talks.change(seat, step, post, text);
  }

  @DeleteMapping("/{step}/posts/{post}")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat) {
    talks.remove(seat, step, post);
  }

  /** Brings a removed post back. */
  @PostMapping("/{step}/posts/{post}/restoration")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void restore(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable PostId post,
      Seat seat) {
    talks.restore(seat, step, post);
  }

  @PostMapping("/{step}/read")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void reads(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PostForms.ReadsForm read) {
    talks.reads(seat, step, read.upto());
  }

  /** Takes a file that is to stand in a post or under it. */
  @PostMapping("/{step}/files")
  @Needs(Right.TEACH)
  @ResponseStatus(HttpStatus.CREATED)
  Files.Kept addFile(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      Seat seat,
      @Valid @RequestBody PostForms.FileForm sent) {
    talks.takesFiles(seat, step);
    return files.keep(course, seat.person().id(), sent.upload(), PostFiles.ANY);
  }

  /** A file that one has sent and not posted yet. */
  @GetMapping("/{step}/files/{file}")
  @Needs(Right.TEACH)
  ResponseEntity<Resource> ownFile(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    talks.takesFiles(seat, step);
    return sending.of(texts.own(course, seat.person().id(), file), request, response);
  }

  /** A file of a post; ranges are understood. */
  @GetMapping("/{step}/posts/{post}/files/{file}")
  @Needs(Right.TEACH)
  ResponseEntity<Resource> file(
      @PathVariable CourseId course,
      @PathVariable StepId step,
      @PathVariable PostId post,
      @PathVariable long file,
      Seat seat,
      HttpServletRequest request,
      HttpServletResponse response) {
    return sending.of(talks.file(seat, step, post, file), request, response);
  }
}
