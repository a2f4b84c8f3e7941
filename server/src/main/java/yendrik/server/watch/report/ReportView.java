package yendrik.server.watch.report;

import java.util.List;
import yendrik.core.id.GroupId;
import yendrik.server.design.Designs;
import yendrik.server.http.Variant;
import yendrik.server.people.Seat;

/** A report as it is looked at; each has its own. */
public interface ReportView extends Variant {
  /** A group of the course. */
  record Group(GroupId id, String name) {}

  /** The groups that somebody may see, by name. */
  static List<Group> groups(Designs.Ready ready, Seat seat) {
    return ready.document().design().groups().entrySet().stream()
        .map(g -> new Group(g.getKey(), g.getValue()))
        .filter(g -> seat.sees(List.of(g.id())))
        .sorted(java.util.Comparator.comparing(Group::name))
        .toList();
  }
}
