package yendrik.server.discuss;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.strand.posts.PostFact;
import yendrik.server.design.Designs;
import yendrik.server.discuss.PostViews.DiscussionView;
import yendrik.server.discuss.PostViews.GroupView;
import yendrik.server.discuss.PostViews.ThreadView;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.StepDoor;
import yendrik.server.learn.StepPages;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/** What learners read and write in discussions and journals. */
@Service
@Transactional
public class Talks {
  private static final StepKind[] KINDS = {StepKind.DISCUSSION, StepKind.JOURNAL};
  private final Posts posts;
  private final Threads threads;
  private final PostTexts texts;
  private final Walks walks;
  private final StepPages pages;
  private final Designs designs;
  private final Removals removals;
  private final Learners learners;
  private final Clock clock;

  Talks(
      Posts posts,
      Threads threads,
      PostTexts texts,
      Walks walks,
      StepPages pages,
      Designs designs,
      Removals removals,
      Learners learners,
      Clock clock) {
    this.posts = posts;
    this.threads = threads;
    this.texts = texts;
    this.walks = walks;
    this.pages = pages;
    this.designs = designs;
    this.removals = removals;
    this.learners = learners;
    this.clock = clock;
  }

  /** Somebody at a step. */
  private record At(
      Walk walk, int s, Manner manner, Reader.Learner reader, List<Optional<GroupId>> groups) {
    Place place(Optional<GroupId> group) {
      Optional<EnrolmentId> journal =
          manner.journal() ? Optional.of(walk.enrolment()) : Optional.empty();
      return new Place(walk.course(), walk.step(s).id(), group, journal);
    }

    /** The group that is asked for, or the first. */
    Optional<GroupId> chosen(Optional<GroupId> asked) {
      if (asked.isEmpty()) return groups.getFirst();
      if (!groups.contains(asked)) throw Problem.field("group", "not-in-group");
      return asked;
    }

    boolean usable() {
      Progress progress = walk.progress();
      return progress.sight().open(s) && walk.usable(s);
    }
  }

  /** The same where somebody on the staff may look through a learner's eyes. */
  private At at(Way way, Seat seat, StepId step) {
    Walk walk = walks.see(way);
    if (!way.watched() && !walk.practice()) return at(walk, seat.person().id(), step);
    return at(
        walk,
        new Reader.Learner(walk.person(), walk.enrolment(), Reader.only(seat, learners)),
        step);
  }

  private static At at(Walk walk, PersonId person, StepId step) {
    return at(walk, new Reader.Learner(person, walk.enrolment(), Optional.empty()), step);
  }

  private static At at(Walk walk, Reader.Learner reader, StepId step) {
    int s = StepDoor.open(walk, step, KINDS);
    Manner manner = walk.content(s, Written.class).manner();
    return new At(walk, s, manner, reader, Among.groups(walk, s, manner));
  }

  /** The threads of a place, unless one has to write before one reads. */
  @Transactional(readOnly = true)
  DiscussionView read(
      Way way, Seat seat, StepId step, Optional<GroupId> group, Optional<PostId> before) {
    At at = at(way, seat, step);
    Optional<GroupId> chosen = at.chosen(group);
    Place place = at.place(chosen);
    boolean first = writesFirst(at, place);
    Threads.Page page =
        first
            ? new Threads.Page(List.of(), Optional.empty())
            : threads.page(place, at.reader, before, rights(at));
    return new DiscussionView(
        first ? List.of() : groupViews(at),
        chosen,
        at.usable(),
        first,
        page.threads(),
        page.more());
  }

  private boolean writesFirst(At at, Place place) {
    return at.manner.postFirst() && !posts.hasWritten(place, at.walk.enrolment());
  }

  private List<GroupView> groupViews(At at) {
    if (at.groups.size() < 2) return List.of();
    Map<Optional<GroupId>, Integer> unread =
        posts.unreadByGroup(at.walk.course(), at.walk.step(at.s).id(), at.reader);
    Map<GroupId, String> names = designs.groupNames(at.walk.course());
    return at.groups.stream()
        .map(g ->
            new GroupView(
                g, g.map(id -> names.getOrDefault(id, "")).orElse(""), unread.getOrDefault(g, 0)))
        .toList();
  }

  private Threads.Rights rights(At at) {
    if (!at.usable()) return Threads.Rights.NONE;
    return new Threads.Rights(p -> mayChange(at, p), p -> mayChange(at, p));
  }

  /** One's own, for a while. */
  private boolean mayChange(At at, Posts.Kept post) {
    Instant until = post.at().plus(Duration.ofMinutes(at.manner.minutes()));
    return post.walk().equals(Optional.of(at.walk.enrolment())) && clock.instant().isBefore(until);
  }

  /** One thread with all its replies. */
  @Transactional(readOnly = true)
  ThreadView thread(Way way, Seat seat, StepId step, PostId thread) {
    At at = at(way, seat, step);
    Place place = at.place(readable(at, thread).group());
    return threads
        .whole(place, at.reader, thread, rights(at))
        .orElseThrow(() -> Problem.notFound("post"));
  }

  /** A post that somebody may read, or a Problem as if there were none. */
  private Posts.Kept readable(At at, PostId id) {
    Posts.Kept post =
        posts
            .one(at.walk.course(), at.walk.step(at.s).id(), id, at.reader)
            .orElseThrow(() -> Problem.notFound("post"));
    Place place = at.place(post.group());
    boolean here = at.groups.contains(post.group()) && post.journal().equals(place.journal());
    if (!here || writesFirst(at, place)) throw Problem.notFound("post");
    return post;
  }

  /** Writes a few words, or replies with them. */
  public PostId write(
      EnrolmentId enrolment, PersonId person, StepId step, Optional<PostId> to, String text) {
    List<PostId> made = new ArrayList<>();
    walks.act(
        enrolment,
        Optional.of(person),
        walk -> write(walk, person, step, PostForms.PostForm.of(text, to), made::add));
    return made.getFirst();
  }

  /** Writes something, or replies. */
  StepPage write(EnrolmentId enrolment, PersonId person, StepId step, PostForms.PostForm form) {
    return pages.after(enrolment, person, step, walk -> write(walk, person, step, form, _ -> {}));
  }

  private List<Fact.What> write(
      Walk walk, PersonId person, StepId step, PostForms.PostForm form, Consumer<PostId> made) {
    StepDoor.usable(walk, step, KINDS);
    At at = at(walk, person, step);
    Optional<Posts.Kept> replied = form.inReplyTo().map(id -> readable(at, id));
    Optional<GroupId> group =
        replied.map(Posts.Kept::group).orElseGet(() -> at.chosen(form.group()));
    Optional<PostId> thread = replied.map(p -> p.thread().orElse(p.id()));
    Posts.Words words = texts.checked(walk.course(), person, form.post(), List.of());
    var writer = new Posts.Writer(person, Optional.of(walk.enrolment()), walk.practice());
    PostId post = posts.add(at.place(group), writer, thread, words);
    made.accept(post);
    return facts(at, step, thread, post);
  }

  /** Who goes on under what they wrote themselves, and nobody replied, has not replied. */
  private List<Fact.What> facts(At at, StepId step, Optional<PostId> thread, PostId post) {
    if (thread.isEmpty()) return List.of(new PostFact.Posted(step, post));
    return posts.othersWrote(thread.get(), at.reader)
        ? List.of(new PostFact.Replied(step, post))
        : List.of(new Fact.WasHere());
  }

  /** Changes what one wrote a short while ago. */
  void change(
      EnrolmentId enrolment, PersonId person, StepId step, PostId id, PostForms.TextForm form) {
    Posts.Kept post = ownForNow(walks.see(enrolment), person, step, id);
    List<Files.Kept> had = post.words().files();
    Posts.Words words = texts.checked(walks.see(enrolment).course(), person, form, had);
    if (!posts.change(id, words)) throw Problem.notFound("post");
  }

  /** Takes away what one wrote a short while ago; it counts no longer. */
  StepPage remove(EnrolmentId enrolment, PersonId person, StepId step, PostId id) {
    ownForNow(walks.see(enrolment), person, step, id);
    if (posts.remove(id, person)) removals.takeBack(enrolment, person, id);
    return pages.page(walks.see(enrolment), step, new ArrayList<>());
  }

  private Posts.Kept ownForNow(Walk walk, PersonId person, StepId step, PostId id) {
    StepDoor.usable(walk, step, KINDS);
    At at = at(walk, person, step);
    Posts.Kept post = readable(at, id);
    if (!post.walk().equals(Optional.of(walk.enrolment())))
      throw Problem.forbidden("not-your-post");
    if (!mayChange(at, post)) throw Problem.conflict("too-late-to-change");
    return post;
  }

  /** Says how far somebody has read. */
  void reads(EnrolmentId enrolment, PersonId person, StepId step, Map<PostId, PostId> upto) {
    Walk walk = walks.see(enrolment);
    At at = at(walk, person, step);
    // What staff have read themselves is not what their made-up learner has.
    if (!at.walk.practice()) posts.read(walk.course(), step, person, upto);
  }

  /** A file under a post. */
  @Transactional(readOnly = true)
  Files.Kept file(Way way, Seat seat, StepId step, PostId id, long file) {
    At at = at(way, seat, step);
    return readable(at, id).words().files().stream()
        .filter(f -> f.id() == file)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("file"));
  }

  /** Refuses files where nothing can be written. */
  @Transactional(readOnly = true)
  void takesFiles(EnrolmentId enrolment, StepId step) {
    StepDoor.usable(walks.see(enrolment), step, KINDS);
  }
}
