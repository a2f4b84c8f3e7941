package yendrik.server.discuss;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import yendrik.core.id.GroupId;
import yendrik.server.way.Walk;

/** Among whom learners discuss. */
final class Among {
  private Among() {}

  /** The groups of a learner; those who are in none discuss with the others who are in none. */
  static List<Optional<GroupId>> groups(Walk walk, int s, Manner manner) {
    if (!manner.byGroup()) return List.of(Optional.empty());
    Set<GroupId> named = walk.step(s).audience().groups();
    List<Optional<GroupId>> all =
        walk.progress().record().groups().stream()
            .filter(g -> named.isEmpty() || named.contains(g))
            .sorted()
            .map(Optional::of)
            .toList();
    return all.isEmpty() ? List.of(Optional.empty()) : all;
  }
}
