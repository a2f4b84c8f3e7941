package yendrik.core.rule.words;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.ToIntFunction;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yendrik.core.course.Badge;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.course.Step;
import yendrik.core.id.ModuleId;
import yendrik.core.kind.Kinds;
import yendrik.core.outcome.Outcome;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.copy.Usual;
import yendrik.core.strand.Offer;
import yendrik.core.words.Catalogue;
import yendrik.core.words.Sentence;
import yendrik.core.words.Writing;

/**
 * Proposes conditions for what a designer types: "quiz 60", "after 9 Nov", "SAFE own".
 *
 * <p>Every question that makes sense in the course is a candidate, said in words; a candidate stays
 * when each typed word begins a word of its sentence, and a typed number is the candidate's number.
 */
public final class Proposals {
  private static final Pattern NUMBER =
      Pattern.compile("(?<![\\p{L}\\d])(\\d{1,3})(?![\\p{L}\\d])");
  private static final Pattern DATE =
      Pattern.compile(
          "(?:\\b(?:mon|tue|wed|thu|fri|sat|sun)\\p{L}*,? )?(\\d{1,2})\\.? (jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\\p{L}*\\.?,?(?: (\\d{4}))?(?!\\d)");
  private static final DateTimeFormatter EXACT =
      new DateTimeFormatterBuilder()
          .parseCaseInsensitive()
          .appendPattern("d MMM uuuu")
          .toFormatter(Locale.ENGLISH)
          .withResolverStyle(ResolverStyle.STRICT);

  /** 29 February is not in every year. */
  private static final int LEAP = 8;

  private static final int LIKELY = 5;

  private static final int MOST_NUMBERS = 4;

  /** How many years a day without one may mean. */
  private static final int CANDIDATES = 2;

  /** What counts most when something is said in the place of a condition. */
  private static final int SAME_SUBJECT = 100;

  private static final int SAME_QUESTION = 50;

  private final CourseDesign design;
  private final RuleAt at;
  private final LocalDate today;
  private final Wording wording;

  /**
   * @param today in the course's time zone; a date without a year is of this year, or of the next
   *     where the course had not begun by then; another year is proposed second
   * @param catalogue in which they are said
   */
  public Proposals(CourseDesign design, RuleAt at, LocalDate today, Catalogue catalogue) {
    this.design = design;
    this.at = at;
    this.today = today;
    wording = new Wording(design, new Writing(catalogue, design.zone(), today.getYear()));
  }

  /** A condition with what it says, ready to be taken. */
  public record Proposal(Leaf leaf, Sentence sentence) {}

  /** The best proposals first, at most {@code most}. */
  public List<Proposal> forText(String typed, int most) {
    return best(typed, most, _ -> 0);
  }

  /**
   * What can be said in the place of a condition: first what is asked about the same, and of that
   * the same question, so that a number alone is another number for it.
   */
  public List<Proposal> inPlaceOf(Leaf was, String typed, int most) {
    return best(
        typed,
        most,
        leaf ->
            (subject(leaf).equals(subject(was)) ? SAME_SUBJECT : 0)
                + (leaf.getClass() == was.getClass() ? SAME_QUESTION : 0));
  }

  /** What a question is about; the kind of question where it is about the learner or the clock. */
  private static Object subject(Leaf leaf) {
    return switch (leaf) {
      case Leaf.OfStep of -> of.step();
      case Leaf.OfOutcome of -> of.outcome();
      case Leaf.ModuleDone(var module) -> module;
      case Leaf.ModuleCount(var module, _) -> module;
      case Leaf.ModuleShare(var module, _) -> module;
      default -> leaf.getClass();
    };
  }

  private List<Proposal> best(String typed, int most, ToIntFunction<Leaf> nearness) {
    String text = typed.toLowerCase(Locale.ROOT).strip();
    Matcher dated = DATE.matcher(text);
    boolean asksForDate = dated.find();
    List<LocalDate> dates = asksForDate ? dates(dated) : List.of();
    if (asksForDate && dates.isEmpty()) return List.of();
    String rest = asksForDate ? dated.replaceAll(" ") : text;
    return ways(rest)
        .flatMap(way ->
            candidates(way.number, dates).stream()
                .map(c -> new Scored(c, c.score(way.words)))
                .filter(s -> s.score > 0)
                .map(s -> new Scored(s.candidate, s.score + nearness.applyAsInt(s.candidate.leaf))))
        .sorted(Comparator.comparingInt(Scored::score).reversed())
        .map(s -> s.candidate.leaf)
        .distinct()
        .limit(most)
        .map(leaf -> new Proposal(leaf, wording.sentence(leaf, at)))
        .toList();
  }

  /** One way to read what was typed: a number that is meant, and words. */
  private record Way(OptionalInt number, List<String> words) {}

  /** Each number can be the one that is meant; what stands in a name can be part of it as well. */
  private Stream<Way> ways(String text) {
    List<MatchResult> numbers = NUMBER.matcher(text).results().limit(MOST_NUMBERS).toList();
    Stream<Way> meant =
        numbers.stream()
            .map(n ->
                new Way(
                    OptionalInt.of(Integer.parseInt(n.group(1))),
                    words(text.substring(0, n.start()) + " " + text.substring(n.end()))));
    boolean named = numbers.stream().allMatch(n -> isInAName(n.group(1)));
    return named
        ? Stream.concat(meant, Stream.of(new Way(OptionalInt.empty(), words(text))))
        : meant;
  }

  private boolean isInAName(String number) {
    return Stream.of(
            design.modules().stream().map(CourseModule::name),
            design.steps().map(Step::name),
            design.outcomes().stream().flatMap(o -> Stream.of(o.code(), o.name())),
            design.badges().stream().map(Badge::name),
            design.groups().values().stream(),
            design.sessions().values().stream(),
            design.otherCourses().values().stream())
        .flatMap(names -> names)
        .anyMatch(name -> words(name).contains(number));
  }

  private static List<String> words(String text) {
    return Arrays.stream(text.split("[^\\p{L}\\d]+")).filter(w -> !w.isEmpty()).toList();
  }

  private record Scored(Candidate candidate, int score) {}

  private record Candidate(Leaf leaf, String words, int weight) {
    /** 0 when a typed word is not found; whole words count more than beginnings. */
    int score(List<String> typed) {
      int score = weight;
      List<String> own = Proposals.words(words.toLowerCase(Locale.ROOT));
      for (String word : typed) {
        if (own.contains(word)) score += 20;
        // the beginning of a number is another number
        else if (!Character.isDigit(word.charAt(0))
            && own.stream().anyMatch(w -> w.startsWith(word))) score += 10;
        else return 0;
      }
      return score;
    }
  }

  /** The days that a typed date can mean, the likeliest first; none that no calendar has. */
  private List<LocalDate> dates(Matcher found) {
    String day = found.group(1) + " " + found.group(2);
    if (found.group(3) != null)
      return exact(day, Integer.parseInt(found.group(3))).stream().toList();
    LocalDate begin = design.startsAt().atZone(design.zone()).toLocalDate();
    int year = today.getYear();
    return IntStream.concat(IntStream.rangeClosed(year, year + LEAP), IntStream.of(year - 1))
        .mapToObj(y -> exact(day, y))
        .flatMap(Optional::stream)
        .filter(d -> !d.isBefore(begin))
        .limit(CANDIDATES)
        .toList();
  }

  /** Exactly this day: there is no 31 November. */
  private static Optional<LocalDate> exact(String day, int year) {
    try {
      return Optional.of(LocalDate.parse(day + " " + year, EXACT));
    } catch (DateTimeException e) {
      return Optional.empty();
    }
  }

  private List<Candidate> candidates(OptionalInt number, List<LocalDate> dates) {
    List<Candidate> all = new ArrayList<>();
    for (int d = 0; d < dates.size(); d++) {
      date(dates.get(d), d == 0 ? LIKELY : 0, all);
      noEvidence(dates.get(d), d == 0 ? LIKELY : 0, all);
    }
    if (!dates.isEmpty()) return all;
    for (CourseModule module : design.modules()) {
      for (Step step : module.steps()) step(step, number, all);
      if (!Usual.isOfSamples(module.id())) module(module, number, all);
    }
    for (Outcome outcome : design.outcomes()) outcome(outcome, number, all);
    if (number.isEmpty()) named(all);
    if (number.isEmpty()) said(all);
    if (design.modules().stream().anyMatch(Proposals::hasQuizzes))
      quizzes(Optional.empty(), "everywhere", number, all);
    number.ifPresent(n -> days(n, all));
    number.ifPresent(n -> attendance(n, all));
    number.ifPresent(n -> grade(n, all));
    return all;
  }

  private void date(LocalDate day, int likely, List<Candidate> all) {
    Instant start = day.atStartOfDay(design.zone()).toInstant();
    Instant end = day.plusDays(1).atStartOfDay(design.zone()).toInstant();
    add(
        all,
        new Leaf.InTime(Optional.of(start), Optional.empty()),
        "from after on date",
        3 + likely);
    add(
        all,
        new Leaf.InTime(Optional.empty(), Optional.of(start)),
        "before until date",
        2 + likely);
    add(
        all,
        new Leaf.InTime(Optional.of(start), Optional.of(end)),
        "between on only date",
        1 + likely);
  }

  private void noEvidence(LocalDate day, int likely, List<Candidate> all) {
    if (!(at instanceof RuleAt.FlagRaised)) return;
    Instant from = day.atStartOfDay(design.zone()).toInstant();
    for (Outcome outcome : design.outcomes())
      add(
          all,
          new Leaf.NoEvidence(outcome.id(), from),
          "outcome " + outcome.code() + " by missing nothing",
          likely);
  }

  private void step(Step step, OptionalInt number, List<Candidate> all) {
    // nothing opens by what happens in it
    if (at.equals(new RuleAt.StepOpens(step.id()))) return;
    boolean own = at.equals(new RuleAt.StepDone(step.id()));
    int near = own ? 40 : 2;
    String names = step.kind().name() + " " + step.name() + " ";
    int n = number.orElse(0);
    if (!own && number.isEmpty())
      add(all, new Leaf.StepDone(step.id()), names + "finished", near + 4);
    for (Offer offer : Kinds.of(step.kind()).offers(step.id(), number))
      add(all, offer.leaf(), names + offer.words(), near + offer.weight());
    if (!own && n > 0)
      add(all, new Leaf.DaysSinceDone(step.id(), n), names + "days after since", near);
  }

  private void module(CourseModule module, OptionalInt number, List<Candidate> all) {
    if (at.equals(new RuleAt.ModuleOpens(module.id()))) return;
    boolean own = at.equals(new RuleAt.ModuleDone(module.id()));
    int near = own ? 40 : 3;
    String names = "module " + module.name() + " ";
    if (number.isEmpty() && !own)
      add(all, new Leaf.ModuleDone(module.id()), names + "finished", near);
    if (hasQuizzes(module)) quizzes(Optional.of(module.id()), module.name(), number, all);
    if (number.isEmpty()) return;
    int n = number.getAsInt();
    if (n > 0 && n <= module.steps().size())
      add(all, new Leaf.ModuleCount(module.id(), n), names + "steps", near + 1);
    if (n > 0 && n <= 100)
      add(all, new Leaf.ModuleShare(module.id(), n / 100.0), names + "percent", near);
  }

  private static boolean hasQuizzes(CourseModule module) {
    return module.steps().stream().anyMatch(s -> Kinds.tried(s) && s.required());
  }

  private void quizzes(
      Optional<ModuleId> module, String of, OptionalInt number, List<Candidate> all) {
    int percent = number.orElse(100);
    if (percent > 0 && percent <= 100)
      add(
          all,
          new Leaf.QuizzesScored(module, percent / 100.0),
          "all quizzes full marks score everything right in " + of,
          0);
  }

  private void outcome(Outcome outcome, OptionalInt number, List<Candidate> all) {
    String names = "outcome level " + outcome.code() + " " + outcome.name() + " ";
    if (number.isPresent()) {
      if (number.getAsInt() > 0 && number.getAsInt() <= 20)
        add(
            all,
            new Leaf.EvidenceCount(
                outcome.id(), number.getAsInt(), outcome.scale().key(outcome.scale().mastery())),
            names + "pieces evidence times",
            1);
      return;
    }
    add(all, new Leaf.AtMastery(outcome.id()), names, 3);
    for (int level = 0; level <= outcome.scale().top(); level++) {
      int key = outcome.scale().key(level);
      if (level > 0) add(all, new Leaf.LevelAtLeast(outcome.id(), key), names, 2);
      if (level > 0) add(all, new Leaf.LevelBelow(outcome.id(), key), names, 1);
    }
  }

  private void named(List<Candidate> all) {
    design.groups().forEach((id, _) -> add(all, new Leaf.InGroup(id), "group", 3));
    design
        .sessions()
        .forEach((id, _) -> add(all, new Leaf.SessionAttended(id), "attended session", 1));
    design.badges().forEach(b -> add(all, new Leaf.HoldsBadge(b.id()), "badge earned", 2));
    design
        .otherCourses()
        .forEach((id, _) -> add(all, new Leaf.CourseComplete(id), "course completed", 2));
    if (at instanceof RuleAt.FlagRaised) add(all, new Leaf.RequiredOutOfReach(), "out of reach", 5);
    else if (!completes()) add(all, new Leaf.CourseComplete(design.id()), "course completed", 1);
  }

  /** What people can say of the whole way of a learner. */
  private void said(List<Candidate> all) {
    for (StaffKind kind : StaffKind.values())
      add(all, new Leaf.Approved(kind), "approval approved staff", completes() ? 6 : 0);
    add(all, new Leaf.OwnWord(), "own word says learner", completes() ? 6 : 0);
    if (completes()) add(all, new Leaf.HasLeft(), "leaves left leaving", 4);
  }

  private boolean completes() {
    return at instanceof RuleAt.CourseComplete;
  }

  private void grade(int n, List<Candidate> all) {
    if (n > 0 && n <= 100 && design.steps().anyMatch(s -> s.scoring().points() > 0))
      add(
          all,
          new Leaf.GradeAtLeast(n / 100.0),
          "course grade points percent",
          completes() ? 6 : 0);
  }

  private void days(int n, List<Candidate> all) {
    if (n == 0) return;
    add(all, new Leaf.EnrolledFor(n), "days after since enrolment enrolled", 4);
    for (Rhythm rhythm : Rhythm.values())
      add(all, new Leaf.InARow(n, rhythm), "days weeks in a row running streak", 1);
    if (!(at instanceof RuleAt.FlagRaised)) return;
    add(all, new Leaf.QuietFor(n), "quiet away absent days", 9);
    add(all, new Leaf.NeverStarted(n), "never started days", 8);
    add(all, new Leaf.Overdue(n), "overdue late steps", 8);
    add(all, new Leaf.BehindBy(n), "behind plan days", 8);
    add(all, new Leaf.StuckFor(n), "stuck failed days", 8);
  }

  private void attendance(int n, List<Candidate> all) {
    if (n == 0 || n > 100) return;
    String words = "attendance register sessions present";
    if (at instanceof RuleAt.FlagRaised)
      add(all, new Leaf.AttendanceUnder(n / 100.0), words + " percent", 8);
    add(all, new Leaf.AttendanceRate(n / 100.0), words + " percent", 2);
    add(all, new Leaf.SessionsAttended(n), words, 1);
  }

  private void add(List<Candidate> all, Leaf leaf, String moreWords, int weight) {
    all.add(new Candidate(leaf, wording.sentence(leaf, at).line() + " " + moreWords, weight));
  }
}
