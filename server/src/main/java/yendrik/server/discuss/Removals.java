package yendrik.server.discuss;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.PostId;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.strand.posts.PostFact;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** What was removed counts no longer, and counts again when it is brought back. */
@Service
@Transactional
class Removals {
  private final Walks walks;

  Removals(Walks walks) {
    this.walks = walks;
  }

  void takeBack(EnrolmentId writer, PersonId by, PostId post) {
    walks.change(
        writer,
        Optional.of(by),
        walk ->
            Facts.standing(walk.facts()).stream()
                .filter(f -> of(f, post))
                .map(f -> Added.inPlaceOf(f, new Fact.TakenBack("post removed")))
                .toList());
  }

  /** Counts it as when it was written. */
  void bringBack(EnrolmentId writer, PersonId by, PostId post) {
    walks.change(
        writer,
        Optional.of(by),
        walk ->
            written(walk, post)
                .map(f -> new Added(f.what(), Optional.empty(), Optional.of(f.at())))
                .stream()
                .toList());
  }

  private static Optional<Fact> written(Walk walk, PostId post) {
    boolean stands = Facts.standing(walk.facts()).stream().anyMatch(f -> of(f, post));
    return stands ? Optional.empty() : walk.facts().stream().filter(f -> of(f, post)).findFirst();
  }

  private static boolean of(Fact fact, PostId post) {
    return fact.what() instanceof PostFact p && p.post().equals(post);
  }
}
