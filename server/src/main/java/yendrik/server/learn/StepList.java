package yendrik.server.learn;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.StepId;
import yendrik.core.progress.Bead;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.words.Numbers;
import yendrik.core.words.Phrase;
import yendrik.server.learn.RouteViews.ModuleView;
import yendrik.server.learn.RouteViews.StepLine;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;

/** The modules and steps of a way, as far as its learner may know them. */
@Component
class StepList {
  private final StepLearners rooms;
  private final StepNews news;

  StepList(StepLearners rooms, StepNews news) {
    this.rooms = rooms;
    this.news = news;
  }

  List<ModuleView> of(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    var explaining = Explaining.toLearner(walk);
    var known = new Known(progress);
    Map<StepId, Integer> unread = news.of(walk);
    List<ModuleView> views = new ArrayList<>();
    for (int m = 0; m < index.modules(); m++) {
      CourseModule module = index.module(m);
      if (!known.module(m)) continue;
      boolean open = progress.moduleOpen(m);
      List<StepLine> lines = new ArrayList<>();
      int all = 0;
      int done = 0;
      for (int s = index.firstStep(m); s < index.firstStep(m + 1); s++) {
        if (progress.counts(s)) {
          all++;
          if (progress.doneAt(s).isPresent()) done++;
        }
        if (new Known(progress).step(s) && !needless(progress, s))
          lines.add(line(walk, s, explaining, unread.getOrDefault(index.step(s).id(), 0)));
      }
      List<Explaining.Part> missing = open ? List.of() : explaining.whatModuleMisses(m);
      boolean finished = progress.sight().moduleDoneAt(m) != LearnerRecord.NEVER;
      views.add(
          new ModuleView(module.id(), module.name(), open, done, all, finished, missing, lines));
    }
    return views;
  }

  /** Help or enrichment that this learner will not come to: no step to worry about. */
  private static boolean needless(Progress progress, int s) {
    return progress.bead(s).state() == StepState.CLOSED
        && !progress.course().index().step(s).required()
        && progress.sight().outOfReach(s);
  }

  private StepLine line(Walk walk, int s, Explaining explaining, int unread) {
    Progress progress = walk.progress();
    Step step = progress.course().index().step(s);
    Bead bead = progress.bead(s);
    return new StepLine(
        step.id(),
        step.name(),
        step.kind(),
        bead.state(),
        bead.overdue(),
        bead.outOfReach(),
        step.required(),
        walk.ready().document().minutes().getOrDefault(step.id(), 10),
        note(walk, s),
        unread,
        bead.state() == StepState.CLOSED ? explaining.whatIsMissing(s) : List.of(),
        bead.state() == StepState.CLOSED && explaining.isFarFrom(s));
  }

  private String note(Walk walk, int s) {
    return note(walk.progress(), s).map(walk.writing()::say).orElse("");
  }

  private Optional<Phrase> note(Progress progress, int s) {
    LearnerRecord record = progress.record();
    Step step = progress.course().index().step(s);
    return switch (progress.bead(s).state()) {
      case DONE ->
          progress.doneAt(s).map(day -> rooms.of(step.kind()).done(record, s, new Phrase.Day(day)));
      case WAITING -> {
        var since = new Phrase.Day(Instant.ofEpochMilli(record.waitingSince(s)));
        yield Optional.of(Phrase.of("note.waits", "day", since));
      }
      case AGAIN -> Optional.of(again(record, s));
      case MISSED ->
          Explaining.moment(record.takesUntil(s))
              .map(u -> Phrase.of("note.missed", "day", new Phrase.Day(u)));
      case EXCUSED -> Optional.of(Phrase.of("note.excused"));
      case OPEN, BEGUN -> begun(record, s);
      case CLOSED, NOT_FOR_THEM, UNPUBLISHED -> Optional.empty();
    };
  }

  private static Optional<Phrase> begun(LearnerRecord record, int s) {
    Optional<Phrase> due =
        Explaining.moment(record.due(s))
            .map(d -> Phrase.of("note.due", "day", new Phrase.Day(d.minusSeconds(1))));
    double watched = FilmStrand.of(record).share(s);
    if (watched == 0) return due;
    Phrase so = Phrase.of("note.watched", "share", Numbers.percent(watched));
    return Optional.of(due.map(d -> Phrase.of("list", "first", so, "rest", d)).orElse(so));
  }

  private static Phrase again(LearnerRecord record, int s) {
    if (AttemptsStrand.of(record).made(s) == 0) return Phrase.of("note.again");
    Phrase best = Numbers.percent(record.score(s));
    int left = AttemptsStrand.of(record).left(s);
    return left == Integer.MAX_VALUE
        ? Phrase.of("note.again-best", "best", best)
        : Phrase.of("note.again-left", "best", best, "n", left);
  }
}
