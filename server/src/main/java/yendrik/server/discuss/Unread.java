package yendrik.server.discuss;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import yendrik.core.id.GroupId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Kinds;
import yendrik.core.progress.Known;
import yendrik.server.learn.StepNews;
import yendrik.server.way.Walk;

/** What a learner has not read yet in discussions and in their journals. */
@Component
class Unread implements StepNews {
  private final Posts posts;

  Unread(Posts posts) {
    this.posts = posts;
  }

  @Override
  public Map<StepId, Integer> of(Walk walk) {
    // What staff have read themselves is not what whoever they walk as has.
    if (walk.practice() || walk.watched()) return Map.of();
    var known = new Known(walk.progress());
    Map<StepId, Integer> written = new HashMap<>();
    IntStream.range(0, walk.index().steps())
        .filter(s -> Kinds.of(walk.step(s).kind()).markedAsItStands())
        .filter(s -> known.step(s) && walk.progress().sight().open(s))
        .forEach(s -> written.put(walk.step(s).id(), s));
    if (written.isEmpty()) return Map.of();
    Map<StepId, Integer> unread = new HashMap<>();
    var reader = new Reader.Learner(walk.person(), walk.enrolment(), Optional.empty());
    for (Posts.News news : posts.news(written.keySet(), reader)) {
      int s = written.getOrDefault(news.step(), 0);
      Manner manner = walk.content(s, Written.class).manner();
      List<Optional<GroupId>> groups = Among.groups(walk, s, manner);
      boolean reads = groups.contains(news.group()) && (news.own() > 0 || !manner.postFirst());
      if (reads && news.unread() > 0) unread.merge(news.step(), news.unread(), Integer::sum);
    }
    return unread;
  }
}
