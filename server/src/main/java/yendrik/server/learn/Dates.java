package yendrik.server.learn;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.record.LearnerRecord;
import yendrik.server.learn.RouteViews.DateKind;
import yendrik.server.learn.RouteViews.DateView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Sessions;
import yendrik.server.way.Walk;

/** What has a date on a way: sessions, and steps that open, are due and close. */
@Component
public class Dates {
  private static final int COMING = 4;
  private final Sessions sessions;

  Dates(Sessions sessions) {
    this.sessions = sessions;
  }

  /** The next few that concern the learner now. */
  List<DateView> coming(Walk walk) {
    Instant now = walk.progress().asOf();
    return all(walk).stream()
        .filter(d -> d.until().orElse(d.at()).isAfter(now))
        .filter(d -> d.is() == DateKind.SESSION || d.is() == DateKind.OPENS || dueNow(d))
        .limit(COMING)
        .toList();
  }

  private static boolean dueNow(DateView date) {
    return date.is() == DateKind.DUE && date.open();
  }

  /** All of them that the learner may know of, in order of time. */
  public List<DateView> all(Walk walk) {
    Progress progress = walk.progress();
    var known = new Known(progress);
    List<DateView> all = new ArrayList<>();
    for (int s = 0; s < walk.index().steps(); s++) if (known.step(s)) add(walk, s, all);
    List<GroupId> groups = progress.record().groups().stream().toList();
    for (Sessions.Session session : sessions.of(walk.course()))
      if (session.concerns(groups))
        all.add(
            new DateView(
                "session-" + session.id(),
                DateKind.SESSION,
                session.name(),
                session.startsAt(),
                Optional.of(session.endsAt()),
                Optional.empty(),
                /* open= */ false));
    all.sort(Comparator.comparing(DateView::at));
    return all;
  }

  /** What is done has no date any more, but for those on which it opens and closes. */
  private static void add(Walk walk, int s, List<DateView> all) {
    Progress progress = walk.progress();
    LearnerRecord record = progress.record();
    Step step = walk.step(s);
    boolean done = progress.doneAt(s).isPresent() || record.excused(s);
    boolean open = progress.sight().open(s);
    step.window().from().ifPresent(at -> all.add(date(DateKind.OPENS, step, at, open)));
    if (done) return;
    // Midnight is the end of the day before.
    Explaining.moment(record.due(s))
        .ifPresent(at -> all.add(date(DateKind.DUE, step, at.minusSeconds(1), open)));
    step.window()
        .late()
        .flatMap(_ -> Explaining.moment(record.takesUntil(s)))
        .ifPresent(at -> all.add(date(DateKind.LATE_UNTIL, step, at.minusSeconds(1), open)));
    step.window().until().ifPresent(at -> all.add(date(DateKind.CLOSES, step, at, open)));
  }

  private static DateView date(DateKind is, Step step, Instant at, boolean open) {
    String id = is.name().toLowerCase(Locale.ROOT).replace('_', '-') + "-" + step.id();
    return new DateView(id, is, step.name(), at, Optional.empty(), Optional.of(step.id()), open);
  }
}
