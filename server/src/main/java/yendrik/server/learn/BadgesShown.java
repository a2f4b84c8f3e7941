package yendrik.server.learn;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseIndex;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.RuleAt;
import yendrik.server.learn.RouteViews.BadgeView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Walk;

/** The badges that a learner holds, and how the others are earned. */
final class BadgesShown {
  private BadgesShown() {}

  static List<BadgeView> of(Walk walk) {
    Progress progress = walk.progress();
    CourseIndex index = progress.course().index();
    var explaining = Explaining.toLearner(walk);
    var known = new Known(progress);
    List<BadgeView> views = new ArrayList<>();
    for (int b = 0; b < index.badges(); b++) {
      Badge badge = index.badge(b);
      boolean held = progress.sight().holds(b);
      if (!known.badge(b)) continue;
      Optional<Instant> at =
          walk.facts().stream()
              .filter(f -> f.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge.id()))
              .map(Fact::at)
              .reduce((_, last) -> last);
      views.add(
          new BadgeView(
              badge.id(),
              badge.name(),
              badge.description(),
              walk.ready().document().face(badge.id()).picture(),
              held,
              held ? at : Optional.empty(),
              held ? Optional.empty() : explaining.rule(new RuleAt.BadgeEarned(badge.id()))));
    }
    return views;
  }
}
