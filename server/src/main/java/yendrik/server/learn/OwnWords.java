package yendrik.server.learn;

import java.util.List;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.Leaf;
import yendrik.server.http.Problem;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;

/** That a learner says to have completed the course, where its completion asks for that. */
final class OwnWords {
  private OwnWords() {}

  /** What is added so that it is said, or is not. */
  static List<Added> change(Walk walk, boolean said) {
    if (!walk.progress().course().completionAsks(Leaf.OwnWord.class))
      throw Problem.conflict("no-own-word-asked");
    List<Fact> standing =
        Facts.standing(walk.facts()).stream()
            .filter(f -> f.what() instanceof Fact.OwnWord)
            .toList();
    if (said) return standing.isEmpty() ? List.of(Added.now(new Fact.OwnWord())) : List.of();
    return standing.stream()
        .map(f -> Added.inPlaceOf(f, new Fact.TakenBack("own word taken back")))
        .toList();
  }
}
