package yendrik.server.discuss;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kinds;
import yendrik.core.progress.Bead;
import yendrik.core.progress.StepState;
import yendrik.server.design.Designs;
import yendrik.server.discuss.PostViews.DiscussionView;
import yendrik.server.discuss.PostViews.GroupView;
import yendrik.server.discuss.PostViews.LineView;
import yendrik.server.discuss.PostViews.PostView;
import yendrik.server.discuss.PostViews.ThreadView;
import yendrik.server.discuss.PostViews.WriterView;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.Learners;

/** What staff read and write in discussions and journals; of what their learners wrote, any. */
@Service
@Transactional
public class StaffTalks {
  private final Posts posts;
  private final Threads threads;
  private final PostTexts texts;
  private final Designs designs;
  private final Learners learners;
  private final Removals removals;

  StaffTalks(
      Posts posts,
      Threads threads,
      PostTexts texts,
      Designs designs,
      Learners learners,
      Removals removals) {
    this.posts = posts;
    this.threads = threads;
    this.texts = texts;
    this.designs = designs;
    this.learners = learners;
    this.removals = removals;
  }

  /** A step in which people write, and who reads. */
  private record At(Seat seat, int s, Step step, Manner manner, Reader.Staff reader) {
    Place place(Optional<GroupId> group, Optional<EnrolmentId> journal) {
      return new Place(seat.course(), step.id(), group, journal);
    }
  }

  private Reader.Staff reader(Seat seat) {
    return new Reader.Staff(seat.person().id(), Reader.only(seat, learners));
  }

  private At at(Seat seat, StepId id) {
    Designs.Ready ready =
        designs.published(seat.course()).orElseThrow(() -> Problem.notFound("step"));
    CourseIndex index = ready.compiled().index();
    int s = index.number(id);
    if (s == CourseIndex.UNKNOWN) throw Problem.notFound("step");
    Step step = index.step(s);
    if (!Kinds.of(step.kind()).markedAsItStands()) throw Problem.conflict("not-at-this-kind");
    Manner manner = ready.document().content(id, Written.class).manner();
    return new At(seat, s, step, manner, reader(seat));
  }

  /** All discussions and journals, in the order of the course. */
  @Transactional(readOnly = true)
  List<LineView> all(Seat seat) {
    Optional<Designs.Ready> ready = designs.published(seat.course());
    if (ready.isEmpty()) return List.of();
    CourseIndex index = ready.get().compiled().index();
    Map<StepId, Posts.Sum> sums = posts.sums(seat.course(), reader(seat));
    List<LineView> all = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) {
      Step step = index.step(s);
      if (!Kinds.of(step.kind()).markedAsItStands()) continue;
      Posts.Sum sum = sums.getOrDefault(step.id(), Posts.Sum.NONE);
      all.add(
          new LineView(
              step.id(),
              step.name(),
              index.module(index.moduleOf(s)).name(),
              step.kind(),
              ready.get().document().content(step.id(), Written.class).manner().byGroup(),
              sum.posts() + sum.replies(),
              sum.unread(),
              sum.newest()));
    }
    return all;
  }

  /** The threads of a discussion, or of somebody's journal. */
  @Transactional(readOnly = true)
  DiscussionView read(Seat seat, StepId step, Chosen chosen, Optional<PostId> before) {
    At at = at(seat, step);
    List<GroupView> groups = groups(at);
    Place place = place(at, groups, chosen);
    Threads.Page page = threads.page(place, at.reader, before, rights(at));
    return new DiscussionView(
        groups, place.group(), true, /* writesFirst= */ false, page.threads(), page.more());
  }

  /**
   * Where staff read or write.
   *
   * @param group the first of them if none is chosen
   * @param ungrouped whether those are meant who are in no group
   * @param journal whose
   */
  record Chosen(Optional<GroupId> group, boolean ungrouped, Optional<EnrolmentId> journal) {}

  private Place place(At at, List<GroupView> groups, Chosen chosen) {
    if (at.manner.journal()) {
      EnrolmentId whose =
          chosen.journal.orElseThrow(() -> Problem.field("journal", "whose-journal"));
      learners.one(at.seat, whose);
      return at.place(Optional.empty(), Optional.of(whose));
    }
    if (!at.manner.byGroup()) return at.place(Optional.empty(), Optional.empty());
    if (groups.isEmpty()) throw Problem.notFound("group");
    Optional<GroupId> group =
        chosen.ungrouped || chosen.group.isPresent() ? chosen.group : groups.getFirst().group();
    if (groups.stream().noneMatch(g -> g.group().equals(group))) throw Problem.notFound("group");
    return at.place(group, Optional.empty());
  }

  /** The groups that discuss by themselves, and last those who are in none. */
  private List<GroupView> groups(At at) {
    if (!at.manner.byGroup()) return List.of();
    Map<Optional<GroupId>, Integer> unread =
        posts.unreadByGroup(at.seat.course(), at.step.id(), at.reader);
    Set<GroupId> named = at.step.audience().groups();
    List<GroupView> all = new ArrayList<>();
    designs.groupNames(at.seat.course()).entrySet().stream()
        .filter(g -> named.isEmpty() || named.contains(g.getKey()))
        .filter(g -> at.seat.sees(List.of(g.getKey())))
        .sorted(Map.Entry.comparingByValue())
        .forEach(g -> {
          Optional<GroupId> group = Optional.of(g.getKey());
          all.add(new GroupView(group, g.getValue(), unread.getOrDefault(group, 0)));
        });
    if (at.seat.seesAll())
      all.add(
          new GroupView(Optional.empty(), "", unread.getOrDefault(Optional.<GroupId>empty(), 0)));
    return all;
  }

  /** Staff change what they wrote, and remove what they see. */
  private static Threads.Rights rights(At at) {
    return new Threads.Rights(
        p -> p.walk().isEmpty() && p.by().equals(at.reader.person()) && p.remover().isEmpty(),
        p -> p.remover().isEmpty());
  }

  @Transactional(readOnly = true)
  ThreadView thread(Seat seat, StepId step, PostId id) {
    At at = at(seat, step);
    return whole(at, seen(at, id));
  }

  private ThreadView whole(At at, Posts.Kept post) {
    return threads
        .whole(
            at.place(post.group(), post.journal()),
            at.reader,
            post.thread().orElse(post.id()),
            rights(at))
        .orElseThrow(() -> Problem.notFound("post"));
  }

  /** A post that this person sees, in a place that they see, or a Problem. */
  private Posts.Kept seen(At at, PostId id) {
    Posts.Kept post =
        posts
            .one(at.seat.course(), at.step.id(), id, at.reader)
            .orElseThrow(() -> Problem.notFound("post"));
    post.journal().ifPresent(whose -> learners.one(at.seat, whose));
    boolean theirs =
        at.seat.seesAll() || post.group().map(g -> at.seat.sees(List.of(g))).orElse(true);
    if (!theirs) throw Problem.notFound("post");
    return post;
  }

  /** Replies in a few words. */
  public PostId reply(Seat seat, StepId step, PostId to, String text) {
    return written(at(seat, step), PostForms.PostForm.of(text, Optional.of(to)));
  }

  /** Writes something, or replies; what staff write counts for nobody. */
  ThreadView write(Seat seat, StepId step, PostForms.PostForm form) {
    At at = at(seat, step);
    return whole(at, seen(at, written(at, form)));
  }

  private PostId written(At at, PostForms.PostForm form) {
    Optional<Posts.Kept> replied = form.inReplyTo().map(id -> seen(at, id));
    Place place =
        replied
            .map(p -> at.place(p.group(), p.journal()))
            .orElseGet(() -> place(at, groups(at), form.chosen()));
    PersonId me = at.seat.person().id();
    Posts.Words words = texts.checked(at.seat.course(), me, form.post(), List.of());
    Optional<PostId> thread = replied.map(p -> p.thread().orElse(p.id()));
    return posts.add(
        place, new Posts.Writer(me, Optional.empty(), /* practice= */ false), thread, words);
  }

  void change(Seat seat, StepId step, PostId id, PostForms.TextForm form) {
    At at = at(seat, step);
    Posts.Kept post = seen(at, id);
    if (!rights(at).change().test(post)) throw Problem.forbidden("not-your-post");
    Posts.Words words =
        texts.checked(seat.course(), seat.person().id(), form, post.words().files());
    if (!posts.change(id, words)) throw Problem.notFound("post");
  }

  /** Removes a post; a learner's counts no longer. Twice is once. */
  void remove(Seat seat, StepId step, PostId id) {
    Posts.Kept post = seen(at(seat, step), id);
    if (posts.remove(id, seat.person().id()))
      post.walk().ifPresent(w -> removals.takeBack(w, seat.person().id(), id));
  }

  /** Brings a removed post back. */
  void restore(Seat seat, StepId step, PostId id) {
    Posts.Kept post = seen(at(seat, step), id);
    if (posts.restore(id))
      post.walk().ifPresent(w -> removals.bringBack(w, seat.person().id(), id));
  }

  void reads(Seat seat, StepId step, Map<PostId, PostId> upto) {
    At at = at(seat, step);
    posts.read(seat.course(), at.step.id(), seat.person().id(), upto);
  }

  @Transactional(readOnly = true)
  Files.Kept file(Seat seat, StepId step, PostId id, long file) {
    return seen(at(seat, step), id).words().files().stream()
        .filter(f -> f.id() == file)
        .findFirst()
        .orElseThrow(() -> Problem.notFound("file"));
  }

  /** Refuses files where nothing can be written. */
  @Transactional(readOnly = true)
  void takesFiles(Seat seat, StepId step) {
    at(seat, step);
  }

  /** How much each learner wrote who has the step, by name. */
  @Transactional(readOnly = true)
  List<WriterView> writers(Seat seat, StepId step) {
    At at = at(seat, step);
    Map<EnrolmentId, Posts.Sum> sums = posts.writers(seat.course(), step, at.reader);
    List<WriterView> all = new ArrayList<>();
    for (Learners.Snapshot learner : learners.of(seat)) {
      // Who came under no publication that has the step has none of it.
      if (at.s >= learner.thread().length()) continue;
      StepState state = Bead.of(learner.thread().charAt(at.s)).state();
      if (state == StepState.NOT_FOR_THEM || state == StepState.UNPUBLISHED) continue;
      Posts.Sum sum = sums.getOrDefault(learner.enrolment(), Posts.Sum.NONE);
      all.add(
          new WriterView(
              learner.enrolment(),
              learner.name(),
              state,
              sum.posts(),
              sum.replies(),
              sum.newest(),
              sum.unread()));
    }
    return all;
  }

  /** What one learner wrote at a step, oldest first. */
  @Transactional(readOnly = true)
  List<PostView> by(Seat seat, StepId step, EnrolmentId learner) {
    learners.one(seat, learner);
    At at = at(seat, step);
    return posts.by(learner, step, at.reader).stream()
        .map(p -> Threads.view(p, at.reader, rights(at)))
        .toList();
  }
}
