package yendrik.core.kind;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.record.LearnerRecord;
import yendrik.core.record.Strand;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.attempts.AttemptsStrand;
import yendrik.core.strand.confirm.ConfirmStrand;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostsStrand;
import yendrik.core.strand.seen.SeenStrand;
import yendrik.core.strand.signoff.SignOffStrand;
import yendrik.core.strand.time.TimeStrand;
import yendrik.core.strand.work.WorkStrand;

/** All strands that a record can have, and what they bring with them. */
public final class Strands {
  /** Where several mark the same work, what a later one says counts: staff after machines. */
  public static final List<Strand.Door<?>> ALL =
      List.of(
          SeenStrand.DOOR,
          TimeStrand.DOOR,
          FilmStrand.DOOR,
          AttemptsStrand.DOOR,
          PostsStrand.DOOR,
          WorkStrand.DOOR,
          ConfirmStrand.DOOR,
          SignOffStrand.DOOR);

  private Strands() {}

  /** An empty record of somebody in a course. */
  public static LearnerRecord record(CourseIndex index, PersonId person) {
    return new LearnerRecord(index, person, ALL);
  }

  /** The facts of all strands, by the names under which they are stored. */
  public static Map<String, Class<? extends Fact.OfStrand>> facts() {
    Map<String, Class<? extends Fact.OfStrand>> all = new HashMap<>();
    ALL.forEach(door -> all.putAll(door.facts()));
    return all;
  }

  /** The questions about what strands hold, by the names under which they are stored. */
  public static Map<String, Class<? extends Leaf.OfStrand>> leaves() {
    Map<String, Class<? extends Leaf.OfStrand>> all = new HashMap<>(MarkLeaf.NAMES);
    ALL.forEach(door -> all.putAll(door.leaves()));
    return all;
  }
}
