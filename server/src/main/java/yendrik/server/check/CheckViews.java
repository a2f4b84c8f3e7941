package yendrik.server.check;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.check.Finding;
import yendrik.server.design.MendViews.MendView;
import yendrik.server.design.MendViews.PlaceView;

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

  @Schema(name = "FindingLink")
  record LinkView(String says, PlaceView place) {}

  @Schema(name = "MeantFinding")
  record MeantView(String reason, String by, Instant at) {}
}
