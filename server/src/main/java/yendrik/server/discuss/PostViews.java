package yendrik.server.discuss;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.progress.StepState;
import yendrik.server.files.Files;

/** What is read of discussions and journals. */
final class PostViews {
  private PostViews() {}

  /**
   * What somebody wrote.
   *
   * @param gone whether there is nothing to read, since it was removed or is of no learner of
   *     theirs
   * @param learner whose it is, for staff
   * @param changed when it was changed last
   * @param removed by whom, for staff
   */
  @Schema(name = "Post")
  record PostView(
      PostId id,
      boolean gone,
      String by,
      boolean mine,
      boolean staff,
      Optional<EnrolmentId> learner,
      String text,
      List<Files.Kept> files,
      Instant at,
      Optional<Instant> changed,
      Optional<String> removed,
      boolean unread,
      boolean mayChange,
      boolean mayRemove) {}

  /**
   * A post and what was replied to it.
   *
   * @param replies how many there are
   * @param last the newest of them, oldest first
   */
  @Schema(name = "PostThread")
  record ThreadView(PostView post, int replies, int unread, List<PostView> last) {}

  /**
   * A group that discusses by itself.
   *
   * @param group none for those who are in no group
   */
  @Schema(name = "DiscussionGroup")
  record GroupView(Optional<GroupId> group, String name, int unread) {}

  /**
   * @param groups those among which one can choose; none where all discuss together
   * @param group which one this is
   * @param writesFirst whether one has to write before one reads
   * @param more from where to read on, the newest threads being first
   */
  @Schema(name = "Discussion")
  record DiscussionView(
      List<GroupView> groups,
      Optional<GroupId> group,
      boolean mayWrite,
      boolean writesFirst,
      List<ThreadView> threads,
      Optional<PostId> more) {}

  /** A discussion or journal in the list that staff have. */
  @Schema(name = "DiscussionLine")
  record LineView(
      StepId step,
      String name,
      String module,
      StepKind kind,
      boolean byGroup,
      int posts,
      int unread,
      Optional<Instant> newest) {}

  /** How much a learner wrote, and how they stand there. */
  @Schema(name = "Writer")
  record WriterView(
      EnrolmentId learner,
      String name,
      StepState state,
      int posts,
      int replies,
      Optional<Instant> newest,
      int unread) {}
}
