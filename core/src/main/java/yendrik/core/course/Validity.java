package yendrik.core.course;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import yendrik.core.Refusal;
import yendrik.core.id.StepId;
import yendrik.core.rule.Condition;

/**
 * How long a badge is valid once it was awarded.
 *
 * @param soonDays how many days before its end it ends <em>soon</em>: its holder is told, and it
 *     can be renewed from then on; 1 to {@value #MOST_DAYS}
 * @param renewal how it is earned again; empty for at most once
 */
public record Validity(Lasting lasting, int soonDays, Optional<Renewal> renewal) {
  /** Ten years. */
  public static final int MOST_MONTHS = 120;

  public static final int MOST_DAYS = 365;

  private static final int HALF_A_MONTH = 14;

  /** Valid without end. */
  public static final Validity FOREVER = new Validity(new Lasting.Always(), 30, Optional.empty());

  /**
   * @throws Refusal if the days are out of range
   */
  public Validity {
    if (soonDays < 1 || soonDays > MOST_DAYS)
      throw new Refusal("soon-days-between", "most", MOST_DAYS);
  }

  /** Until when. */
  public sealed interface Lasting {
    record Always() implements Lasting {}

    /** Some months from the award, by the calendar of the course. */
    record Months(int months) implements Lasting {
      /**
       * @throws Refusal unless there are 1 to {@value #MOST_MONTHS} months
       */
      public Months {
        if (months < 1 || months > MOST_MONTHS)
          throw new Refusal("months-between", "most", MOST_MONTHS);
      }
    }

    /** Up to and with a day, whenever it was awarded. */
    record Until(LocalDate day) implements Lasting {}
  }

  /**
   * How a badge is earned again by what happened since its last award.
   *
   * @param anew the steps that begin anew when it ends soon
   * @param when what is asked since the last award; empty for what is asked the first time
   */
  public record Renewal(List<StepId> anew, Optional<Condition> when) {
    public Renewal {
      anew = List.copyOf(anew);
    }
  }

  /** When a badge that was awarded at a moment is not valid any more; empty for never. */
  public Optional<Instant> end(Instant awarded, ZoneId zone) {
    return switch (lasting) {
      case Lasting.Always _ -> Optional.empty();
      case Lasting.Months m -> Optional.of(awarded.atZone(zone).plusMonths(m.months()).toInstant());
      case Lasting.Until _ -> awardedUntil(zone);
    };
  }

  /**
   * From when on it is not awarded any more, because it would not be valid for a moment; empty for
   * always.
   */
  public Optional<Instant> awardedUntil(ZoneId zone) {
    return lasting instanceof Lasting.Until(LocalDate day)
        ? Optional.of(day.plusDays(1).atStartOfDay(zone).toInstant())
        : Optional.empty();
  }

  /** When it begins to end soon: in the second half of its time at the earliest. */
  public Instant soon(Instant end) {
    int most = lasting instanceof Lasting.Months m ? m.months() * HALF_A_MONTH : MOST_DAYS;
    return end.minus(Duration.ofDays(Math.min(soonDays, most)));
  }

  /**
   * When it ends once it was renewed: days that were left are not lost by being early.
   *
   * @param end when it would have ended
   */
  public Optional<Instant> renewed(Instant at, Instant end, ZoneId zone) {
    return end(lasting instanceof Lasting.Months && end.isAfter(at) ? end : at, zone);
  }
}
