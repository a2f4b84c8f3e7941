package yendrik.server.rehearse.crowd;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.BadgeId;
import yendrik.core.id.ModuleId;
import yendrik.core.id.StepId;
import yendrik.core.rehearse.crowd.Crowd;
import yendrik.core.rehearse.crowd.CrowdResult;
import yendrik.core.rehearse.crowd.Folk;
import yendrik.server.jobs.JobResult;

/** What is asked of crowds and shown of them. */
final class CrowdViews {
  private CrowdViews() {}

  /**
   * Who is to walk; shares run from 0 to 1.
   *
   * @param seed the same one gives the same learners with the same luck
   * @param asBefore abilities and paces as those have them who learn here
   * @param ability their share of the points in the middle, where not as before
   * @param spread how far abilities lie apart: the standard deviation
   * @param perWeek how many things the middle one does in a week
   * @param paceSpread by how many times paces differ
   * @param stopping the share that stops in a week
   * @param staffDays how long staff take on average
   * @param attendance the share of sessions that somebody comes to
   */
  @Schema(name = "CrowdEdit")
  record CrowdEdit(
      @Min(1) @Max(Crowd.MOST_LEARNERS) int learners,
      @Min(1) @Max(Crowd.MOST_WEEKS) int weeks,
      @Min(0) @Max(1_000_000) int seed,
      boolean asBefore,
      @DecimalMin("0") @DecimalMax("1") double ability,
      @DecimalMin("0") @DecimalMax("0.5") double spread,
      @DecimalMin("0.1") @DecimalMax("100") double perWeek,
      @DecimalMin("1") @DecimalMax("10") double paceSpread,
      @DecimalMin("0") @DecimalMax("0.5") double stopping,
      @DecimalMin("0") @DecimalMax("100") double staffDays,
      @DecimalMin("0") @DecimalMax("1") double attendance) {

    Folk around() {
      return new Folk.Around(ability, spread, perWeek, paceSpread);
    }
  }

  /**
   * What there is to go by: the last crowd, and how the learners of this course have been so far.
   *
   * @param usual what is asked where nobody says otherwise, as far as it can be read off learners
   * @param like how many learners there are whom a crowd could be like
   */
  @Schema(name = "Crowds")
  record CrowdsView(Optional<CrowdView> last, CrowdEdit usual, int like) {}

  /**
   * The last crowd.
   *
   * @param by who let it walk
   * @param changedSince whether the draft is another one by now
   */
  @Schema(name = "Crowd")
  record CrowdView(Instant at, String by, boolean changedSince, CrowdEdit asked, Came came) {}

  /**
   * What became of it, in the draft and in what learners have now.
   *
   * @param today empty where nothing is published, or where the draft says the same
   */
  @Schema(name = "CrowdCame")
  record Came(Sums draft, Optional<Sums> today, List<ModuleCame> modules, List<BadgeCame> badges) {}

  /**
   * @param allDone how many of those who did not finish had done all that is asked of them
   * @param finishedByWeek how many had finished by the end of each week
   */
  @Schema(name = "CrowdSums")
  record Sums(
      int learners,
      int finished,
      int stopped,
      int noWayOn,
      int underWay,
      int allDone,
      Optional<CrowdResult.Days> finishing,
      List<Integer> finishedByWeek) {
    static Sums of(CrowdResult r) {
      return new Sums(
          r.learners(),
          r.finished(),
          r.stopped(),
          r.noWayOn(),
          r.underWay(),
          r.allDone(),
          r.finishing(),
          r.finishedByWeek());
    }
  }

  /** A module, and how it went in the draft and today; empty where it is not there. */
  @Schema(name = "CrowdModule")
  record ModuleCame(
      ModuleId id,
      String name,
      Optional<CrowdResult.OfModule> draft,
      Optional<CrowdResult.OfModule> today,
      List<StepCame> steps) {}

  @Schema(name = "CrowdStep")
  record StepCame(
      StepId id,
      String name,
      boolean required,
      Optional<CrowdResult.OfStep> draft,
      Optional<CrowdResult.OfStep> today) {}

  @Schema(name = "CrowdBadge")
  record BadgeCame(
      BadgeId id,
      String name,
      Optional<CrowdResult.OfBadge> draft,
      Optional<CrowdResult.OfBadge> today) {}

  /** A crowd has walked; what became of it is kept with the course. */
  @JsonTypeName("crowd")
  record Walked(int finished) implements JobResult {}
}
