package yendrik.server.kinds.video;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.kind.Visits;
import yendrik.core.strand.film.FilmFact;
import yendrik.server.http.Problem;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.StepDoor;
import yendrik.server.learn.StepPages;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/** What learners do with films. */
@Service
@Transactional
public class Playing {
  /** How many seconds of a film can be played in a second. */
  private static final int FASTEST = 2;

  /**
   * Reports travel for unequal times: one that seems to come so many seconds of film too soon is
   * believed all the same, if it tells of this many or more.
   */
  private static final int JITTER = 2;

  private static final int WORTH_IT = 5;

  private final Walks walks;
  private final StepPages pages;

  Playing(Walks walks, StepPages pages) {
    this.walks = walks;
    this.pages = pages;
  }

  /** The film of a step that is open. */
  @Transactional(readOnly = true)
  public Film film(Way way, StepId step) {
    Walk walk = walks.see(way);
    return film(walk, StepDoor.open(walk, step, StepKind.VIDEO));
  }

  private static int seconds(Walk walk, int s) {
    return walk.content(s, VideoContent.class)
        .seconds()
        .orElseThrow(() -> Problem.conflict("no-film-yet"));
  }

  private static Film film(Walk walk, int s) {
    return walk.content(s, VideoContent.class)
        .film()
        .orElseThrow(() -> Problem.conflict("no-film-yet"));
  }

  /**
   * Takes down that a part of the film was played: no more than can have been played since the last
   * report, at twice its speed at most, give or take what reports are on their way.
   *
   * @param from second of the film, included
   * @param to second of the film, excluded
   */
  public StepPage watch(EnrolmentId enrolment, PersonId person, StepId step, int from, int to) {
    return pages.after(
        enrolment,
        person,
        step,
        w -> {
          int s = StepDoor.open(w, step, StepKind.VIDEO);
          // Who looks at it when nothing counts any more, looks at it.
          if (!w.progress().sight().usable(s)) return List.of();
          int of = seconds(w, s);
          if (to <= from) throw Problem.field("to", "ends-before-beginning");
          if (to > of) throw Problem.field("to", "beyond-film", "of", of);
          long since = Visits.playedFrom(w.progress().record(), s);
          int until = from + believed(to - from, StepDoor.gone(w, since, FASTEST));
          return until <= from
              ? List.of()
              : List.of(new FilmFact.Watched(w.step(s).id(), from, until, of));
        });
  }

  private static int believed(int played, int possible) {
    boolean onItsWay = played >= WORTH_IT && played - possible <= JITTER;
    return onItsWay ? played : Math.min(played, possible);
  }
}
