package yendrik.formats.framework;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * Outcomes as they are exchanged with other systems.
 *
 * @param title of the whole
 * @param items in order
 */
public record Framework(UUID identifier, String title, List<Item> items) {
  public Framework {
    items = List.copyOf(items);
  }

  /**
   * One outcome.
   *
   * @param identifier stays when code and wording change; empty in a file that has none
   * @param code short and unique in the framework
   * @param statement what a learner can do
   * @param parts identifiers of the items that it is made of
   */
  public record Item(
      Optional<UUID> identifier,
      String code,
      String statement,
      String description,
      List<UUID> parts) {
    public Item {
      parts = List.copyOf(parts);
    }
  }

  /** Longest code that is taken. */
  public static final int LONGEST_CODE = 20;

  /** Longest statement that is taken. */
  public static final int LONGEST_STATEMENT = 200;
}
