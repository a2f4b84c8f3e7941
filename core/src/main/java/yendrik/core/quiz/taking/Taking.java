package yendrik.core.quiz.taking;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yendrik.core.Refusal;
import yendrik.core.course.Counts;

/**
 * How a quiz is taken.
 *
 * @param limit the time of an attempt, none for any time
 * @param waitMinutes how long after an attempt the next one may begin, 0 for at once
 * @param word what has to be said before an attempt begins, empty for nothing
 * @param mixed whether the questions stand in an order of their own in each attempt
 * @param choicesMixed whether their choices do
 * @param bands what is said about results
 * @param selfCheck whether it is a check of one's own: no points, no score
 */
public record Taking(
    Optional<Limit> limit,
    int waitMinutes,
    String word,
    Pages pages,
    boolean mixed,
    boolean choicesMixed,
    Review review,
    List<Band> bands,
    boolean selfCheck) {
  /** A month. */
  public static final int MOST_WAIT = 31 * 24 * 60;

  /** All on one page, in any time. */
  public static final Taking USUAL =
      new Taking(Optional.empty(), 0, "", Pages.ALL, false, true, Review.USUAL, List.of(), false);

  /**
   * @throws Refusal if the waiting time is outside its range
   */
  public Taking {
    if (waitMinutes < 0 || waitMinutes > MOST_WAIT) throw new Refusal("minutes", "n", waitMinutes);
    word = word.strip();
    bands = bands.stream().sorted(Comparator.comparingDouble(Band::from)).toList();
  }

  /** The same with another word to be said. */
  public Taking saying(String other) {
    return new Taking(
        limit, waitMinutes, other, pages, mixed, choicesMixed, review, bands, selfCheck);
  }

  /**
   * When the time of an attempt is up; none where it never is.
   *
   * @param extraMinutes given to this learner beyond what the quiz gives
   * @param closes when nothing can be handed in any more, if ever
   */
  public Optional<Span> span(Instant started, int extraMinutes, Optional<Instant> closes) {
    if (limit.isEmpty()) return closes.map(at -> new Span(at, at));
    Instant questions =
        earlier(started.plus(Duration.ofMinutes(limit.get().minutes() + extraMinutes)), closes);
    Instant end = earlier(questions.plus(Duration.ofMinutes(limit.get().graceMinutes())), closes);
    return Optional.of(new Span(questions, end));
  }

  private static Instant earlier(Instant one, Optional<Instant> other) {
    return other.filter(o -> o.isBefore(one)).orElse(one);
  }

  /** What happens to an attempt that was not handed in when its time was up. */
  public TimeUp timeUp() {
    return limit.map(Limit::timeUp).orElse(TimeUp.HANDED_IN);
  }

  /** When the next attempt may begin. */
  public Instant next(Instant lastFinished) {
    return lastFinished.plus(Duration.ofMinutes(waitMinutes));
  }

  /**
   * Whether somebody said the word; large and small letters and spaces at the ends do not count.
   */
  public boolean opensTo(String said) {
    return word.isEmpty() || word.equalsIgnoreCase(said.strip());
  }

  /** What is said about a result, empty for nothing. */
  public String says(double share) {
    return bands.stream()
        .filter(b -> share >= b.from() - 1e-9)
        .reduce((_, last) -> last)
        .map(Band::words)
        .orElse("");
  }

  /**
   * How far an attempt has come.
   *
   * @param page the question that is shown, from 0, where there is one a page
   * @param settled questions whose answers may not be changed any more
   * @param noOther whether no other question may be answered
   */
  public record Progress(int page, Set<String> settled, boolean noOther) {
    public Progress {
      settled = Set.copyOf(settled);
    }
  }

  /**
   * What becomes of answers when others are sent. Only what is named is changed, so that two
   * devices can be at the same attempt.
   *
   * @param order the questions as they are asked
   * @param kept what was answered before
   * @param sent what is answered now
   * @param back questions whose answers are taken back, unless they are answered now
   * @return the answers as they are kept from now on
   */
  public <A> Map<String, A> taken(
      List<String> order,
      Progress progress,
      Map<String, A> kept,
      Map<String, A> sent,
      Set<String> back) {
    Map<String, A> all = new HashMap<>();
    for (int n = 0; n < order.size(); n++) {
      String question = order.get(n);
      boolean stays =
          progress.settled().contains(question)
              || (pages == Pages.FORWARD && n != progress.page())
              || (progress.noOther() && !kept.containsKey(question));
      Optional<A> before = Optional.ofNullable(kept.get(question));
      Optional<A> now = Optional.ofNullable(sent.get(question));
      Optional<A> without = back.contains(question) ? Optional.empty() : before;
      (stays ? before : now.or(() -> without)).ifPresent(a -> all.put(question, a));
    }
    return all;
  }

  /**
   * Whether no further attempt can raise what counts.
   *
   * @param score the share that counts, negative where nothing was scored
   * @param left attempts that are left
   */
  public static boolean nothingToGain(Counts counts, double score, int left) {
    if (left == 0) return true;
    return switch (counts) {
      case FIRST -> score >= 0;
      case BEST, LATEST, MEAN -> score >= 1 - 1e-9;
    };
  }
}
