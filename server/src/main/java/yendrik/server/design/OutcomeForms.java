package yendrik.server.design;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import yendrik.core.id.OutcomeId;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.outcome.LevelRule;
import yendrik.server.http.Problem;

/** How levels are found and combined, as forms have it: one flat record for all methods. */
public final class OutcomeForms {
  private OutcomeForms() {}

  /** Methods by name. */
  public enum Method {
    MOST_RECENT,
    BEST,
    MEAN,
    RECENCY_WEIGHTED,
    SECURE
  }

  /**
   * @param halvesEvery with so many newer pieces a weight halves, for {@code RECENCY_WEIGHTED}
   * @param times in so many of the {@code last} pieces, for {@code SECURE}
   * @param fewest with fewer pieces there is no level
   * @param since evidence from before is left out
   */
  public record LevelRuleForm(
      @NotNull Method method,
      @Min(1) @Max(50) int halvesEvery,
      @Min(1) @Max(50) int times,
      @Min(1) @Max(50) int last,
      @Min(1) @Max(50) int fewest,
      Optional<Instant> since) {

    LevelRule rule() {
      if (method == Method.SECURE && times > last)
        throw Problem.field("levelRule", "more-than-last", "n", last);
      LevelMethod of =
          switch (method) {
            case MOST_RECENT -> new LevelMethod.MostRecent();
            case BEST -> new LevelMethod.Best();
            case MEAN -> new LevelMethod.Mean();
            case RECENCY_WEIGHTED -> new LevelMethod.RecencyWeighted(halvesEvery);
            case SECURE -> new LevelMethod.Secure(times, last);
          };
      return new LevelRule(of, fewest, since);
    }

    /** The form of a rule; what its method does not use stands at a usual value. */
    public static LevelRuleForm of(LevelRule rule) {
      Method method =
          switch (rule.method()) {
            case LevelMethod.MostRecent _ -> Method.MOST_RECENT;
            case LevelMethod.Best _ -> Method.BEST;
            case LevelMethod.Mean _ -> Method.MEAN;
            case LevelMethod.RecencyWeighted _ -> Method.RECENCY_WEIGHTED;
            case LevelMethod.Secure _ -> Method.SECURE;
          };
      int halvesEvery =
          rule.method() instanceof LevelMethod.RecencyWeighted r ? r.halvesEvery() : 2;
      int times = rule.method() instanceof LevelMethod.Secure s ? s.times() : 2;
      int last = rule.method() instanceof LevelMethod.Secure s ? s.last() : 3;
      return new LevelRuleForm(method, halvesEvery, times, last, rule.fewest(), rule.since());
    }
  }

  /** Ways to combine by name. */
  public enum How {
    ALL,
    AT_LEAST,
    MEAN,
    LOWEST
  }

  /**
   * @param n of the parts, for {@code AT_LEAST}
   * @param parts ids of outcomes of the same course
   */
  public record MadeOfForm(
      @NotNull How how, @Min(1) @Max(100) int n, @NotNull @Size(max = 100) List<OutcomeId> parts) {

    Composition composition() {
      Composition.How combined =
          switch (how) {
            case ALL -> new Composition.All();
            case AT_LEAST -> new Composition.AtLeast(n);
            case MEAN -> new Composition.Mean();
            case LOWEST -> new Composition.Lowest();
          };
      return new Composition(parts.stream().toList(), combined);
    }

    static MadeOfForm of(Composition made) {
      int n = made.how() instanceof Composition.AtLeast some ? some.n() : 1;
      How how =
          switch (made.how()) {
            case Composition.All _ -> How.ALL;
            case Composition.AtLeast _ -> How.AT_LEAST;
            case Composition.Mean _ -> How.MEAN;
            case Composition.Lowest _ -> How.LOWEST;
          };
      return new MadeOfForm(how, n, made.parts().stream().toList());
    }
  }
}
