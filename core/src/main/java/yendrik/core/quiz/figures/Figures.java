package yendrik.core.quiz.figures;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.DoubleStream;
import java.util.stream.LongStream;

/**
 * Figures about attempts at a quiz.
 *
 * @param attempts how many there are
 * @param scores how many scores lie in each tenth: from 0 to below 0.1 and so on, the last one with
 *     1; ten numbers
 * @param mean of the scores, from 0 to 1; none without attempts
 * @param median the same
 * @param deviation standard deviation of the scores (of a sample: divided by n - 1); none with
 *     fewer than two
 * @param reliability Cronbach's alpha, where it makes sense: where all attempts asked the same
 *     questions, two or more, there are at least {@link #ENOUGH} attempts, and their scores differ
 */
public record Figures(
    int attempts,
    List<Integer> scores,
    OptionalDouble mean,
    OptionalDouble median,
    OptionalDouble deviation,
    OptionalDouble reliability,
    List<OfQuestion> questions) {
  /** With how many attempts discrimination and reliability begin to say something. */
  public static final int ENOUGH = 10;

  private static final int TENTHS = 10;

  /** What rounding leaves of a whole. */
  private static final double NEAR = 1e-9;

  public Figures {
    scores = List.copyOf(scores);
    questions = List.copyOf(questions);
  }

  /**
   * Figures about one question.
   *
   * @param asked in how many attempts it was asked
   * @param right how often all points were had, {@code partly} some of them, {@code wrong} none
   *     though something was answered, {@code unanswered} nothing answered
   * @param facility the mean share of its points that was had, from 0 (nobody had any) to 1: the
   *     difficulty index p (Crocker and Algina, "Introduction to Classical and Modern Test Theory",
   *     1986, chapter 14)
   * @param discrimination how much better those answer it who are better at the rest, from -1 to 1:
   *     the corrected item-total correlation, Pearson's r of the share of its points and the share
   *     of the points of all other questions of the attempt (the same chapter); none with fewer
   *     than {@link #ENOUGH} attempts that ask others too, or where one of the two never differs
   * @param seconds how long it typically took: the median, which a few who went for tea do not move
   */
  public record OfQuestion(
      String question,
      int asked,
      int right,
      int partly,
      int wrong,
      int unanswered,
      double facility,
      OptionalDouble discrimination,
      OptionalDouble seconds) {}

  /**
   * Works the figures out.
   *
   * @param attempts the questions of each that count; attempts without any are left out
   */
  public static Figures of(List<List<Item>> attempts) {
    List<List<Item>> counting = attempts.stream().filter(items -> !items.isEmpty()).toList();
    double[] shares = counting.stream().mapToDouble(Figures::share).toArray();
    Map<String, Tally> tallies = new LinkedHashMap<>();
    for (List<Item> items : counting) tally(items, tallies);
    return new Figures(
        shares.length,
        tenths(shares),
        mean(shares),
        median(shares),
        deviation(shares),
        alpha(counting),
        tallies.entrySet().stream().map(e -> e.getValue().said(e.getKey())).toList());
  }

  private static double share(List<Item> items) {
    return points(items) / most(items);
  }

  // Sums by hand: there are hundreds of thousands of items.

  private static double points(List<Item> items) {
    double sum = 0;
    for (Item item : items) sum += item.points();
    return sum;
  }

  private static double most(List<Item> items) {
    double sum = 0;
    for (Item item : items) sum += item.of();
    return sum;
  }

  private static void tally(List<Item> items, Map<String, Tally> tallies) {
    double points = points(items);
    double of = most(items);
    for (Item item : items) {
      Tally tally = tallies.computeIfAbsent(item.question(), _ -> new Tally());
      tally.add(item);
      if (items.size() > 1) tally.beside(item.share(), (points - item.points()) / (of - item.of()));
    }
  }

  private static List<Integer> tenths(double[] shares) {
    int[] counts = new int[TENTHS];
    for (double share : shares)
      counts[Math.clamp((int) Math.floor(share * TENTHS + NEAR), 0, TENTHS - 1)]++;
    List<Integer> all = new ArrayList<>();
    for (int count : counts) all.add(count);
    return all;
  }

  private static OptionalDouble mean(double[] values) {
    return java.util.Arrays.stream(values).average();
  }

  private static OptionalDouble median(double[] values) {
    if (values.length == 0) return OptionalDouble.empty();
    double[] sorted = values.clone();
    java.util.Arrays.sort(sorted);
    int half = sorted.length / 2;
    return OptionalDouble.of(
        sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2);
  }

  private static double variance(double[] values) {
    double mean = mean(values).orElse(0);
    double sum = 0;
    for (double value : values) sum += (value - mean) * (value - mean);
    return sum / (values.length - 1);
  }

  private static OptionalDouble deviation(double[] values) {
    return values.length < 2
        ? OptionalDouble.empty()
        : OptionalDouble.of(Math.sqrt(variance(values)));
  }

  /**
   * k / (k - 1) times (1 - the sum of the questions' variances through that of the total), of k
   * questions (Cronbach, "Coefficient alpha and the internal structure of tests", 1951).
   */
  private static OptionalDouble alpha(List<List<Item>> attempts) {
    if (attempts.size() < ENOUGH) return OptionalDouble.empty();
    Map<String, double[]> points = new HashMap<>();
    double[] totals = new double[attempts.size()];
    Set<String> first = new HashSet<>();
    attempts.getFirst().forEach(item -> first.add(item.question()));
    for (int a = 0; a < attempts.size(); a++) {
      if (attempts.get(a).size() != first.size()) return OptionalDouble.empty();
      for (Item item : attempts.get(a)) {
        if (!first.contains(item.question())) return OptionalDouble.empty();
        points.computeIfAbsent(item.question(), _ -> new double[totals.length])[a] = item.points();
        totals[a] += item.points();
      }
    }
    int k = first.size();
    double all = variance(totals);
    if (k < 2 || all <= NEAR) return OptionalDouble.empty();
    double single = points.values().stream().mapToDouble(Figures::variance).sum();
    return OptionalDouble.of((double) k / (k - 1) * (1 - single / all));
  }

  /** What is counted of one question. */
  private static final class Tally {
    private int asked;
    private int right;
    private int partly;
    private int wrong;
    private int unanswered;
    private double sum;
    private final DoubleStream.Builder own = DoubleStream.builder();
    private final DoubleStream.Builder rests = DoubleStream.builder();
    private final LongStream.Builder seconds = LongStream.builder();

    void add(Item item) {
      asked++;
      sum += item.share();
      if (item.share() >= 1 - NEAR) right++;
      else if (item.points() > NEAR) partly++;
      else if (item.answered()) wrong++;
      else unanswered++;
      item.seconds().ifPresent(seconds);
    }

    /** The share of its points beside that of all others of the attempt. */
    void beside(double share, double rest) {
      own.add(share);
      rests.add(rest);
    }

    OfQuestion said(String question) {
      return new OfQuestion(
          question,
          asked,
          right,
          partly,
          wrong,
          unanswered,
          Math.clamp(sum / asked, 0, 1),
          discrimination(),
          median(seconds.build().asDoubleStream().toArray()));
    }

    private OptionalDouble discrimination() {
      double[] shares = own.build().toArray();
      double[] others = rests.build().toArray();
      int n = shares.length;
      if (n < ENOUGH) return OptionalDouble.empty();
      double meanOwn = mean(shares).orElse(0);
      double meanRest = mean(others).orElse(0);
      double both = 0;
      double ownSquares = 0;
      double restSquares = 0;
      for (int i = 0; i < n; i++) {
        double a = shares[i] - meanOwn;
        double b = others[i] - meanRest;
        both += a * b;
        ownSquares += a * a;
        restSquares += b * b;
      }
      if (ownSquares <= NEAR || restSquares <= NEAR) return OptionalDouble.empty();
      return OptionalDouble.of(Math.clamp(both / Math.sqrt(ownSquares * restSquares), -1, 1));
    }
  }
}
