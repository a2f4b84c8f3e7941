package yendrik.server.watch.report;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import yendrik.core.id.PersonId;
import yendrik.formats.table.Cell;
import yendrik.server.people.Seat;

/** A report about the learners of a course. What a seat may not see is not in it. */
public interface Report {
  /** In addresses and files: "progress". */
  String name();

  /**
   * As it is looked at.
   *
   * @param people only the rows of these; of all learners where nobody is named
   */
  ReportView view(Seat seat, Set<PersonId> people);

  /** As a table. */
  Sheet sheet(Seat seat);

  /**
   * A table.
   *
   * @param rows made one after the other, while the table is written
   */
  record Sheet(List<String> heads, Stream<List<Cell>> rows) {}
}
