package yendrik.server.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.course.Badge;
import yendrik.core.id.BadgeId;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.core.record.Fact;
import yendrik.core.rule.RuleAt;
import yendrik.server.award.AwardState;
import yendrik.server.learn.RouteViews.BadgeView;
import yendrik.server.way.Explaining;
import yendrik.server.way.Renewals;
import yendrik.server.way.Walk;

/** The badges that a learner holds or held, and how the others are earned. */
@Component
class BadgesShown {
  private final Renewals renewals;

  BadgesShown(Renewals renewals) {
    this.renewals = renewals;
  }

  List<BadgeView> of(Walk walk) {
    var known = new Known(walk.progress());
    List<BadgeView> views = new ArrayList<>();
    for (int b = 0; b < walk.index().badges(); b++) if (known.badge(b)) views.add(view(walk, b));
    return views;
  }

  private BadgeView view(Walk walk, int b) {
    Progress progress = walk.progress();
    Badge badge = walk.index().badge(b);
    boolean held = progress.sight().holds(b);
    Optional<Fact> issued = last(walk, badge.id(), Fact.BadgeIssued.class);
    Optional<AwardState> state =
        progress.record().revoked(b)
            ? Optional.of(AwardState.REVOKED)
            : issued.isPresent() || held
                ? Optional.of(AwardState.of(progress.endsAt(b), badge.validity(), progress.asOf()))
                : Optional.empty();
    return new BadgeView(
        badge.id(),
        badge.name(),
        badge.description(),
        badge.module(),
        walk.ready().document().face(badge.id()).picture(),
        held,
        issued.map(Fact::at).or(() -> progress.earnedAt(b)).filter(_ -> state.isPresent()),
        state,
        progress.record().revoked(b) ? Optional.empty() : progress.endsAt(b),
        said(walk, badge.id(), state),
        needs(walk, b, state));
  }

  private static Optional<Fact> last(Walk walk, BadgeId badge, Class<? extends Fact.What> what) {
    return walk.facts().stream()
        .filter(f -> what.isInstance(f.what()))
        .filter(f ->
            switch (f.what()) {
              case Fact.BadgeIssued i -> i.badge().equals(badge);
              case Fact.BadgeRevoked r -> r.badge().equals(badge);
              default -> false;
            })
        .reduce((_, last) -> last);
  }

  private static Optional<String> said(Walk walk, BadgeId badge, Optional<AwardState> state) {
    boolean revoked = state.equals(Optional.of(AwardState.REVOKED));
    return last(walk, badge, revoked ? Fact.BadgeRevoked.class : Fact.BadgeIssued.class)
        .map(f ->
            switch (f.what()) {
              case Fact.BadgeIssued i -> i.reason();
              case Fact.BadgeRevoked r -> r.reason();
              default -> "";
            })
        .filter(reason -> !reason.isEmpty());
  }

  /** What is missing, the first time or since the last award. */
  private Optional<Explaining.Part> needs(Walk walk, int b, Optional<AwardState> state) {
    BadgeId badge = walk.index().badge(b).id();
    var at = new RuleAt.BadgeEarned(badge);
    if (state.isEmpty()) return Explaining.toLearner(walk).rule(at);
    if (!walk.progress().toRenew().contains(b)) return Optional.empty();
    return renewals
        .since(walk.progress(), walk.facts(), b)
        .flatMap(since -> Explaining.toLearner(walk).beside(since).rule(at));
  }
}
