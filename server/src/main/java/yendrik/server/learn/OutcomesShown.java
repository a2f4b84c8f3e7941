package yendrik.server.learn;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.id.OutcomeId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Evidence;
import yendrik.core.outcome.Outcome;
import yendrik.core.outcome.Scale;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.record.Facts;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.words.LevelWords;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.words.Phrase;
import yendrik.server.learn.RouteViews.EvidenceView;
import yendrik.server.learn.RouteViews.NextLevel;
import yendrik.server.learn.RouteViews.OutcomeView;
import yendrik.server.learn.RouteViews.ShownIn;
import yendrik.server.way.Walk;

/** How far a learner is with the outcomes, what it rests on and where it can be shown. */
final class OutcomesShown {
  private static final int SHOWN_IN = 3;

  private OutcomesShown() {}

  static List<OutcomeView> of(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    List<OutcomeView> views = new ArrayList<>();
    for (int o = 0; o < index.outcomes(); o++) {
      Outcome outcome = index.outcome(o);
      int level = progress.record().level(o).orElse(-1);
      var levels = outcome.scale().levels();
      views.add(
          new OutcomeView(
              outcome.id(),
              outcome.code(),
              outcome.name(),
              outcome.description(),
              level,
              level < 0 ? "" : levels.get(level).name(),
              level < 0 ? "" : levels.get(level).description(),
              levels.size(),
              outcome.scale().mastery(),
              progress.record().evidence(o).reversed().stream()
                  .map(e ->
                      new EvidenceView(
                          Instant.ofEpochMilli(e.at()),
                          levels.get(e.level()).name(),
                          walk.writing().say(from(progress, e)),
                          words(walk, e)))
                  .toList(),
              next(outcome.scale(), level),
              level >= outcome.scale().mastery()
                  ? List.of()
                  : new LevelWords(walk.writing()).change(progress.record(), o),
              shownIn(progress, o),
              waitingFor(progress, outcome)));
    }
    return views;
  }

  /** The level above; mastery for those who have no level yet, since nobody aims at the weakest. */
  private static Optional<NextLevel> next(Scale scale, int level) {
    if (level == scale.top()) return Optional.empty();
    Scale.Level next = scale.levels().get(level < 0 ? scale.mastery() : level + 1);
    return Optional.of(new NextLevel(next.name(), next.description()));
  }

  /** The next steps, in course order, in which a learner can show an outcome or a part of it. */
  private static List<ShownIn> shownIn(Progress progress, int o) {
    CourseIndex index = progress.course().index();
    Set<OutcomeId> sources = new HashSet<>();
    sources.add(index.outcome(o).id());
    for (int part : index.parts(o)) sources.add(index.outcome(part).id());
    return IntStream.range(0, index.steps())
        .filter(s -> Kinds.of(index.step(s).kind()).assesses())
        .filter(
            s -> index.step(s).evidenceFor().stream().anyMatch(t -> sources.contains(t.outcome())))
        .filter(s -> new Known(progress).step(s) && !progress.bead(s).outOfReach())
        .filter(s ->
            switch (progress.bead(s).state()) {
              case OPEN, BEGUN, AGAIN, CLOSED -> true;
              default -> false;
            })
        .limit(SHOWN_IN)
        .mapToObj(
            s -> new ShownIn(index.step(s).id(), index.step(s).name(), progress.sight().open(s)))
        .toList();
  }

  /** The note on a rating, else the comment on the work that it judges. */
  private static Optional<String> words(Walk walk, Evidence piece) {
    if (piece.note().isPresent() || piece.step().isEmpty()) return piece.note();
    return Facts.standing(walk.facts()).stream()
        .filter(f ->
            f.what() instanceof WorkFact.Marked m
                && m.step().equals(piece.step().get())
                && m.version() == piece.version())
        .map(f -> ((WorkFact.Marked) f.what()).comment())
        .filter(c -> !c.isBlank())
        .reduce((_, last) -> last);
  }

  /** The names of closed steps and modules whose opening rule asks about an outcome. */
  private static List<String> waitingFor(Progress progress, Outcome outcome) {
    CourseIndex index = progress.course().index();
    var known = new Known(progress);
    List<String> names = new ArrayList<>();
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      if (known.module(m)
          && known.missingOf(m)
          && !progress.moduleOpen(m)
          && module.opensWhen().filter(r -> asksAbout(r, outcome)).isPresent())
        names.add(module.name());
    }
    for (int s = 0; s < index.steps(); s++)
      if (known.step(s)
          && known.missing(s)
          && !progress.sight().open(s)
          && progress.doneAt(s).isEmpty()
          && index.step(s).opensWhen().filter(r -> asksAbout(r, outcome)).isPresent())
        names.add(index.step(s).name());
    return names;
  }

  private static boolean asksAbout(Condition rule, Outcome outcome) {
    return rule.nodes()
        .anyMatch(n ->
            n instanceof Condition.Ask ask
                && ask.leaf() instanceof Leaf.OfOutcome of
                && of.outcome().equals(outcome.id()));
  }

  /** A step that was taken away or hidden since is not named. */
  private static Phrase from(Progress progress, Evidence piece) {
    if (piece.step().isEmpty()) return Phrase.of("evidence.note-from-staff");
    return piece
        .step()
        .filter(new Known(progress)::step)
        .flatMap(id -> progress.course().design().step(id))
        .map(step -> Phrase.text(step.name()))
        .orElse(Phrase.of("evidence.earlier-step"));
  }
}
