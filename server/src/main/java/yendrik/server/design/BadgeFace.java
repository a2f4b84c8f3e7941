package yendrik.server.design;

import java.util.List;
import java.util.Optional;
import yendrik.core.id.OutcomeId;
import yendrik.formats.certificate.Sheet;

/**
 * What a badge shows and says to whoever meets it.
 *
 * @param outcomes what it stands for, in the order in which it is told
 * @param criteria how it is earned in words of the designer's; empty for those of its rule
 * @param sheet how it is laid out on paper; empty for one that is no certificate
 */
public record BadgeFace(
    BadgePicture picture,
    List<OutcomeId> outcomes,
    List<String> tags,
    Optional<BadgeCriteria> criteria,
    Optional<Sheet> sheet) {
  /** Of a badge of which nothing is said. */
  public static final BadgeFace PLAIN =
      new BadgeFace(BadgePicture.PLAIN, List.of(), List.of(), Optional.empty(), Optional.empty());

  public BadgeFace {
    outcomes = outcomes == null ? List.of() : List.copyOf(outcomes);
    tags = tags == null ? List.of() : List.copyOf(tags);
    criteria = criteria == null ? Optional.empty() : criteria;
    sheet = sheet == null ? Optional.empty() : sheet;
  }
}
