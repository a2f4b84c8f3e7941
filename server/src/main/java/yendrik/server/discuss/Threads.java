package yendrik.server.discuss;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import yendrik.core.id.PostId;
import yendrik.server.discuss.PostViews.PostView;
import yendrik.server.discuss.PostViews.ThreadView;

/** Threads as somebody reads them. */
@Component
class Threads {
  private static final int PAGE = 20;
  private static final int REPLIES = 3;
  private static final int ALL_REPLIES = 1000;
  private final Posts posts;

  Threads(Posts posts) {
    this.posts = posts;
  }

  /** What a reader may do with a post. */
  record Rights(Predicate<Posts.Kept> change, Predicate<Posts.Kept> remove) {
    static final Rights NONE = new Rights(_ -> false, _ -> false);
  }

  /**
   * @param more from where to read on
   */
  record Page(List<ThreadView> threads, Optional<PostId> more) {}

  Page page(Place place, Reader reader, Optional<PostId> before, Rights rights) {
    List<Posts.Head> heads = posts.heads(place, reader, before, PAGE + 1);
    boolean more = heads.size() > PAGE;
    List<Posts.Head> shown = more ? heads.subList(0, PAGE) : heads;
    return new Page(
        views(shown, reader, REPLIES, rights),
        more ? Optional.of(shown.getLast().newest()) : Optional.empty());
  }

  /** One thread with all that was replied. */
  Optional<ThreadView> whole(Place place, Reader reader, PostId thread, Rights rights) {
    List<Posts.Head> head = posts.head(place, reader, thread).stream().toList();
    return views(head, reader, ALL_REPLIES, rights).stream().findFirst();
  }

  private List<ThreadView> views(
      List<Posts.Head> heads, Reader reader, int replies, Rights rights) {
    if (heads.isEmpty()) return List.of();
    Map<PostId, Posts.Kept> first = new HashMap<>();
    Map<PostId, List<PostView>> last = new HashMap<>();
    for (Posts.Kept post :
        posts.of(heads.stream().map(Posts.Head::thread).toList(), reader, replies))
      post.thread()
          .ifPresentOrElse(
              thread ->
                  last.computeIfAbsent(thread, _ -> new ArrayList<>())
                      .add(view(post, reader, rights)),
              () -> first.put(post.id(), post));
    List<ThreadView> all = new ArrayList<>();
    for (Posts.Head head : heads) {
      Posts.Kept post = first.get(head.thread());
      if (post == null) continue;
      all.add(
          new ThreadView(
              view(post, reader, rights),
              head.replies(),
              head.unread(),
              last.getOrDefault(head.thread(), List.of())));
    }
    return all;
  }

  static PostView view(Posts.Kept post, Reader reader, Rights rights) {
    boolean staff = reader instanceof Reader.Staff;
    boolean gone = !post.seen();
    return new PostView(
        post.id(),
        gone,
        gone ? "" : post.name(),
        !gone && post.by().equals(reader.person()),
        !gone && post.walk().isEmpty(),
        staff && !gone ? post.walk() : Optional.empty(),
        gone ? "" : post.words().text(),
        gone ? List.of() : post.words().under(),
        post.at(),
        gone ? Optional.empty() : post.changed(),
        staff && !gone ? post.remover() : Optional.empty(),
        !gone && post.unread(),
        !gone && rights.change().test(post),
        !gone && rights.remove().test(post));
  }
}
