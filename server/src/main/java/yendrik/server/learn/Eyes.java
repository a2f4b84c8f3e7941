package yendrik.server.learn;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/** Through whose eyes staff look, and as of when. */
@Service
@Transactional
class Eyes {
  private final Walks walks;
  private final Wayfarer wayfarer;
  private final People people;
  private final Designs designs;
  private final Clock clock;

  Eyes(Walks walks, Wayfarer wayfarer, People people, Designs designs, Clock clock) {
    this.clock = clock;
    this.walks = walks;
    this.wayfarer = wayfarer;
    this.people = people;
    this.designs = designs;
  }

  /**
   * @param learner whose they are; nobody's where they are those of a made-up learner
   * @param groups that the learner is in
   * @param at what time it is for the learner
   * @param ahead by how many seconds the clock is wound forward
   */
  record EyesView(
      Optional<String> learner, List<GroupId> groups, Instant at, String zone, long ahead) {}

  @Transactional(readOnly = true)
  public EyesView of(Seat seat, String name) {
    if (wayfarer.begins(seat, name)) return before(seat);
    Way way = wayfarer.way(seat, name);
    Walk walk = walks.see(way);
    Instant at = walk.progress().asOf();
    long ahead =
        way.watched()
            ? Math.max(0, at.getEpochSecond() - clock.instant().getEpochSecond())
            : walks.ahead(way.enrolment());
    Optional<String> learner =
        way.watched()
            ? Optional.ofNullable(people.names(List.of(walk.person())).get(walk.person()))
            : Optional.empty();
    return new EyesView(
        learner,
        walk.progress().record().groups().stream().sorted().toList(),
        at,
        walk.index().design().zone().getId(),
        ahead);
  }

  /** Of a made-up learner who has not begun. */
  private EyesView before(Seat seat) {
    String zone = designs.draft(seat.course()).design().zone().getId();
    return new EyesView(Optional.empty(), List.of(), clock.instant(), zone, /* ahead= */ 0);
  }

  /** Puts a made-up learner into these groups and no others. */
  void join(EnrolmentId practice, PersonId by, List<GroupId> groups) {
    walks.act(
        practice,
        Optional.of(by),
        w -> {
          var known = designs.draft(w.course()).design().groups().keySet();
          if (!known.containsAll(groups)) throw Problem.field("groups", "no-such-group");
          return changed(w, groups);
        });
  }

  private static List<Fact.What> changed(Walk walk, List<GroupId> groups) {
    List<Fact.What> whats = new ArrayList<>();
    for (GroupId was : walk.progress().record().groups())
      if (!groups.contains(was)) whats.add(new Fact.LeftGroup(was));
    for (GroupId is : groups)
      if (!walk.progress().record().groups().contains(is)) whats.add(new Fact.JoinedGroup(is));
    return whats;
  }
}
