package yendrik.core.course;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import yendrik.core.Refusal;

/**
 * The same step again and again, each so long after the one before: at the same time of day where
 * the course is, whatever its clocks do in between.
 *
 * @param everyDays how many days after the one before, 0 for the same dates
 * @param times how many more there are to be, 1 to {@value #MOST}
 * @param weekdaysOut on which none falls; a repetition that would is left out and another one
 *     follows later
 * @param daysOut days on which none falls
 */
public record Again(int everyDays, int times, Set<DayOfWeek> weekdaysOut, Set<LocalDate> daysOut) {
  /** So many at once. */
  public static final int MOST = 60;

  /** Leaves room for a number in a name. */
  private static final int LONGEST = 190;

  /** Nothing is planned further ahead. */
  public static final int MOST_DAYS = 3_653;

  public Again {
    if (times < 1 || times > MOST) throw new Refusal("again-times", "n", times, "most", MOST);
    if (everyDays < 0) throw new Refusal("again-every", "n", everyDays);
    weekdaysOut = Set.copyOf(weekdaysOut);
    daysOut = Set.copyOf(daysOut);
  }

  /**
   * When each of them can be used and is due, in order. What a step has no date for, they have none
   * for.
   *
   * @throws Refusal if the last of them would be more than ten years after the first, as it is when
   *     all days to come are left out
   */
  public List<Step.Window> after(Step.Window first, ZoneId zone) {
    List<Step.Window> found = new ArrayList<>();
    for (int n = 1; found.size() < times; n++) {
      long after = (long) everyDays * n;
      if (after > MOST_DAYS) throw new Refusal("again-too-far", "n", found.size());
      Step.Window next = first.later(after, zone);
      if (!isLeftOut(next, zone)) found.add(next);
      else if (everyDays == 0) throw new Refusal("again-left-out");
    }
    return List.copyOf(found);
  }

  /** It falls on the day on which it is due, or on which it opens where it is never due. */
  private boolean isLeftOut(Step.Window window, ZoneId zone) {
    return Stream.of(window.due(), window.from(), window.late(), window.until())
        .flatMap(Optional::stream)
        .findFirst()
        .map(at -> LocalDate.ofInstant(at, zone))
        .filter(day -> daysOut.contains(day) || weekdaysOut.contains(day.getDayOfWeek()))
        .isPresent();
  }

  /**
   * What the n-th of them is called: a number at the end goes on, else one is put there.
   *
   * @param n 1 for the first one after the step itself
   */
  public static String name(String name, int n) {
    String first = name.length() <= LONGEST ? name : name.substring(0, LONGEST).stripTrailing();
    int digits = first.length();
    while (digits > 0 && isDigit(first.charAt(digits - 1))) digits--;
    String number = first.substring(digits);
    boolean counts = !number.isEmpty() && number.length() < 6 && digits > 0;
    return counts
        ? first.substring(0, digits) + (Integer.parseInt(number) + n)
        : first + " " + (n + 1);
  }

  private static boolean isDigit(char c) {
    return c >= '0' && c <= '9';
  }
}
