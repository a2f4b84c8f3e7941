package yendrik.formats.framework;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import yendrik.core.outcome.Composition;

/**
 * Outcomes as they are exchanged with other systems, with the rubrics that look for them.
 *
 * @param title of the whole
 * @param items in order
 * @param rubrics in order
 */
public record Framework(UUID identifier, String title, List<Item> items, List<Sheet> rubrics) {
  public Framework {
    items = List.copyOf(items);
    rubrics = List.copyOf(rubrics);
  }

  /**
   * One outcome.
   *
   * @param identifier stays when code and wording change; empty in a file that has none
   * @param code short and unique in the framework
   * @param statement what a learner can do
   * @param group names of the groups that it stands in, outermost first; empty in a file that says
   *     nothing of groups
   * @param made what it is made of; empty where nothing is said of it
   */
  public record Item(
      Optional<UUID> identifier,
      String code,
      String statement,
      String description,
      Optional<List<String>> group,
      Optional<Made> made) {
    public Item {
      group = group.map(List::copyOf);
    }
  }

  /**
   * What an outcome is made of.
   *
   * @param parts codes of other outcomes, in this framework or where it is taken
   */
  public record Made(Composition.How how, List<String> parts) {
    public Made {
      parts = List.copyOf(parts);
    }
  }

  /** A rubric. */
  public record Sheet(UUID identifier, String title, List<Criterion> criteria) {
    public Sheet {
      criteria = List.copyOf(criteria);
    }
  }

  /**
   * @param counts whether its points are part of the score
   * @param outcome code of the outcome that it gives evidence of, if any
   * @param levels weakest first, two or more
   */
  public record Criterion(
      String name,
      String description,
      boolean counts,
      Optional<String> outcome,
      List<Level> levels) {
    public Criterion {
      levels = List.copyOf(levels);
    }
  }

  /**
   * @param points 0 or more
   * @param standsFor name of the level of the outcome's scale that it is evidence of, if any
   */
  public record Level(String name, String description, double points, Optional<String> standsFor) {}

  /** Longest code that is taken. */
  public static final int LONGEST_CODE = 20;

  /** Longest statement that is taken. */
  public static final int LONGEST_STATEMENT = 200;

  /** Longest name of a group; longer ones are cut. */
  public static final int LONGEST_GROUP = 80;

  /** How deep groups go; deeper ones are folded into the innermost. */
  public static final int DEEPEST_GROUP = 8;
}
