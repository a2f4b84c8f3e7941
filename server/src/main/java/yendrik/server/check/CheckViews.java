package yendrik.server.check;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yendrik.core.check.Finding;

/** What checking a draft finds, as designers see it. */
final class CheckViews {
  private CheckViews() {}

  /**
   * @param lacking what the contents of steps lack before they can be published
   */
  @Schema(name = "CheckOfDraft")
  record CheckView(List<FindingView> findings, List<String> lacking) {}

  /**
   * @param key names it for as long as it stands
   * @param chain why, one thing after the other
   * @param holdsUp what nobody can reach because of it
   * @param meant empty while nobody said that it is meant so
   */
  @Schema(name = "Finding")
  record FindingView(
      String key,
      Finding.Code code,
      Finding.Weight weight,
      String says,
      PlaceView place,
      List<LinkView> chain,
      List<PlaceView> holdsUp,
      List<MendView> mends,
      Optional<MeantView> meant) {}

  /** Parts of a draft as their addresses name them. */
  @Schema(name = "PartOfDraft")
  enum Part {
    STEPS,
    MODULES,
    BADGES,
    OUTCOMES,
    FLAGS,
    COMPLETION
  }

  /** A thing of the course. */
  @Schema(name = "CheckedThing")
  record PlaceView(Part part, long id, String name) {}

  @Schema(name = "FindingLink")
  record LinkView(String says, PlaceView place) {}

  /** The field of a thing that a mend changes. */
  enum MendedField {
    OPENS_WHEN,
    DONE_WHEN,
    EARNED_WHEN,
    COMPLETE_WHEN,
    FLAG_WHEN,
    PUBLISHED,
    ATTEMPTS,
    DUE_AT
  }

  /**
   * A change that removes the finding and brings up nothing new.
   *
   * @param rule what the field is to be where it is a rule; empty for none
   */
  @Schema(name = "Mend")
  record MendView(
      String says, PlaceView thing, MendedField field, Optional<Map<String, Object>> rule) {}

  @Schema(name = "MeantFinding")
  record MeantView(String reason, String by, Instant at) {}
}
