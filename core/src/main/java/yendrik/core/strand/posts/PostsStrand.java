package yendrik.core.strand.posts;

import java.util.Map;
import java.util.Optional;
import yendrik.core.id.PersonId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;

/** How much a learner wrote for others to read. */
public final class PostsStrand extends Strand<PostFact, PostsStrand.Kept> {
  /** How the rest of Yendrik knows it. */
  public static final Door<PostsStrand> DOOR =
      new Door<>(
          "posts",
          PostsStrand.class,
          PostsStrand::new,
          Kept.class,
          Map.of("posted", PostFact.Posted.class, "replied", PostFact.Replied.class),
          Map.of("posted", PostLeaf.Posted.class, "replied", PostLeaf.Replied.class));

  /**
   * @param posts how many, without replies
   * @param lastAt epoch milliseconds of the newest of both
   */
  public record Kept(int posts, int replies, long lastAt) implements Strand.Kept {}

  private final int[] posts;
  private final int[] replies;
  private final long[] lastAt;

  private PostsStrand(LearnerRecord record) {
    super(record, PostFact.class, Kept.class);
    posts = new int[index.steps()];
    replies = new int[index.steps()];
    lastAt = never(index.steps());
  }

  @Override
  protected void take(int s, long at, PostFact what, Optional<PersonId> by) {
    switch (what) {
      case PostFact.Posted _ -> posts[s]++;
      case PostFact.Replied _ -> replies[s]++;
    }
    lastAt[s] = at;
  }

  @Override
  protected void forget(int s) {
    posts[s] = 0;
    replies[s] = 0;
    lastAt[s] = NEVER;
  }

  @Override
  protected Optional<Kept> keep(int s) {
    return lastAt[s] == NEVER
        ? Optional.empty()
        : Optional.of(new Kept(posts[s], replies[s], stored(lastAt[s])));
  }

  @Override
  protected void restore(int s, Kept kept) {
    posts[s] = kept.posts;
    replies[s] = kept.replies;
    lastAt[s] = moment(kept.lastAt);
  }

  /** How many posts, without replies. */
  public int posts(int s) {
    return posts[s];
  }

  public int replies(int s) {
    return replies[s];
  }

  /** When something was written last, in epoch milliseconds. */
  public long lastAt(int s) {
    return lastAt[s];
  }

  /** The strand of a record. */
  public static PostsStrand of(LearnerRecord record) {
    return record.strand(DOOR);
  }
}
