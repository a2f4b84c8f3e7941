package yendrik.server.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.id.GroupId;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.server.learn.RouteViews.ComingView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Sessions;
import yendrik.server.way.Walk;

/** What has its date ahead: steps that are due or open, and sessions. */
@Component
class Coming {
  private static final int COMING = 4;
  private final Sessions sessions;

  Coming(Sessions sessions) {
    this.sessions = sessions;
  }

  List<ComingView> of(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    List<ComingView> all = new ArrayList<>();
    for (int s = 0; s < index.steps(); s++) {
      if (!new Known(progress).step(s)) continue;
      Step step = index.step(s);
      boolean open = progress.sight().open(s) && progress.doneAt(s).isEmpty();
      if (open)
        Explaining.moment(progress.record().due(s))
            .filter(d -> d.isAfter(progress.asOf()))
            .ifPresent(d -> all.add(new ComingView(d.minusSeconds(1), step.name() + " due")));
      step.window()
          .from()
          .filter(f -> f.isAfter(progress.asOf()))
          .ifPresent(f -> all.add(new ComingView(f, step.name() + " opens")));
    }
    List<GroupId> groups = progress.record().groups().stream().toList();
    for (Sessions.Session session : sessions.of(walk.course()))
      if (session.endsAt().isAfter(progress.asOf()) && session.concerns(groups))
        all.add(new ComingView(session.startsAt(), session.name()));
    all.sort(Comparator.comparing(ComingView::at));
    return all.subList(0, Math.min(COMING, all.size()));
  }
}
