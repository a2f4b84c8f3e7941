package yendrik.server.way;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yendrik.core.progress.Progress;
import yendrik.core.words.Phrase;
import yendrik.server.institution.Institutions;

/** What something that is not done yet would do to learners, by name. */
public final class Impacts {
  private final Map<Phrase, List<String>> gains = new HashMap<>();
  private final Map<Phrase, List<String>> losses = new HashMap<>();

  /**
   * One consequence with the learners whom it concerns: "“Brake job card” opens".
   *
   * @param loss whether it takes something from them
   */
  public record Change(String what, boolean loss, List<String> learners) {}

  /** Adds what would become of one learner. */
  public void add(String name, Progress before, Progress after) {
    add(name, Effects.of(before, after));
  }

  /** The same, where it is known already. */
  void add(String name, Effects effects) {
    effects.gains.forEach(w -> gains.computeIfAbsent(w, _ -> new ArrayList<>()).add(name));
    effects.losses.forEach(w -> losses.computeIfAbsent(w, _ -> new ArrayList<>()).add(name));
  }

  /** All of it in words, losses first. */
  public List<Change> said(Institutions institutions) {
    List<Change> changes = new ArrayList<>();
    losses.forEach((what, who) -> changes.add(new Change(institutions.say(what), true, who)));
    gains.forEach((what, who) -> changes.add(new Change(institutions.say(what), false, who)));
    changes.sort(Comparator.comparing(Change::loss).reversed().thenComparing(Change::what));
    return changes;
  }
}
