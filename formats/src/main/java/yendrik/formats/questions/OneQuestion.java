package yendrik.formats.questions;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Difficulty;
import yendrik.core.quiz.Hint;
import yendrik.core.quiz.Question;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;
import yendrik.core.words.Phrase;

/** One question while its lines are read. */
final class OneQuestion {
  /** A usual cost of a hint of which nothing is said. */
  private static final double HINT = 0;

  private static final Pattern POINTS =
      Pattern.compile("^(.*?)\\s*\\((\\d{1,5}(?:[.,]\\d{1,3})?) points?\\)$");
  private static final Pattern SHARE =
      Pattern.compile("^(.*?)\\s*\\((-?\\d{1,3}(?:[.,]\\d{1,9})?) ?%\\)$");
  private static final Pattern NUMBER =
      Pattern.compile(
          "^(-?\\d{1,15}(?:[.,]\\d{1,10})?)"
              + "(?:\\s*(?:±|\\+-|\\+/-)\\s*(\\d{1,15}(?:[.,]\\d{1,10})?)(\\s*%)?)?"
              + "(?:\\s+(\\D.*))?$");
  private static final Pattern ORDERED = Pattern.compile("^\\d{1,3}\\. +(\\S.*)$");
  private static final Pattern PAIR = Pattern.compile("^(.*?)\\s*->\\s*(\\S.*)$");

  /** What sort of answers a question has, by the signs of their lines. */
  private enum Sort {
    CHOICES,
    TYPED,
    PAIRS,
    ORDER,
    GAPS,
    TEXT
  }

  private record Choice(String text, boolean right, Optional<Double> share, String feedback) {
    Choice saying(String said) {
      return new Choice(text, right, share, feedback.isEmpty() ? said : feedback + "\n" + said);
    }
  }

  private final int at;
  private final List<QuestionText.Fault> faults = new ArrayList<>();
  private final List<String> text = new ArrayList<>();
  private final List<Choice> choices = new ArrayList<>();
  private final List<String> typed = new ArrayList<>();
  private final List<PairsWanted.Pair> pairs = new ArrayList<>();
  private final List<String> more = new ArrayList<>();
  private final List<String> order = new ArrayList<>();
  private final List<String> gaps = new ArrayList<>();
  private final List<String> feedback = new ArrayList<>();
  private final List<Hint> hints = new ArrayList<>();
  private final Set<String> tags = new LinkedHashSet<>();
  private final List<String> expected = new ArrayList<>();
  private Optional<Difficulty> difficulty = Optional.empty();
  private Optional<Sort> sort = Optional.empty();
  private double points = 1;

  OneQuestion(int at) {
    this.at = at;
  }

  List<QuestionText.Fault> faults() {
    return faults;
  }

  private void fault(int line, String key, Object... with) {
    faults.add(new QuestionText.Fault(line, Phrase.of("question-text." + key, with)));
  }

  /** Takes the next line, which is not empty. */
  void take(int line, String says) {
    Optional<Runnable> sign = sign(line, says);
    if (sign.isPresent() && text.isEmpty()) fault(line, "nothing-asked");
    else if (sign.isPresent()) sign.get().run();
    else if (sort.isPresent() || !feedback.isEmpty() || !hints.isEmpty() || !tags.isEmpty())
      fault(line, "no-sign");
    else asked(says);
  }

  private void asked(String says) {
    Matcher worth = POINTS.matcher(says);
    boolean said = worth.matches();
    if (said) points = number(worth.group(2));
    text.add(said ? worth.group(1) : says);
  }

  /** What a line with a sign does; none when it has no sign. */
  private Optional<Runnable> sign(int line, String says) {
    String rest = says.length() > 2 ? says.substring(2).strip() : "";
    if (says.equals("...") || says.startsWith("... "))
      return Optional.of(() -> {
        if (is(line, Sort.TEXT)) expected.add(says.substring(3).strip());
      });
    Matcher ordered = ORDERED.matcher(says);
    if (ordered.matches())
      return Optional.of(() -> {
        if (is(line, Sort.ORDER)) order.add(ordered.group(1));
      });
    Matcher pair = PAIR.matcher(says);
    if (pair.matches()) return Optional.of(() -> pair(line, pair.group(1), pair.group(2)));
    if (rest.isEmpty() || says.charAt(1) != ' ') return Optional.empty();
    return Optional.ofNullable(
        switch (says.charAt(0)) {
          case '+' -> () -> choice(line, rest, /* right= */ true);
          case '-' -> () -> choice(line, rest, /* right= */ false);
          case ':' -> () -> said(line, rest);
          case '=' ->
              () -> {
                if (is(line, Sort.TYPED)) typed.add(rest);
              };
          case '_' ->
              () -> {
                if (is(line, Sort.GAPS)) gaps.add(rest);
              };
          case '!' -> () -> feedback.add(rest);
          case '?' -> () -> hint(line, rest);
          case '#' -> () -> tags(rest);
          case '*' -> () -> difficulty(line, rest);
          default -> null;
        });
  }

  /** Whether answers of a sort may stand here; those of another one may not stand beside them. */
  private boolean is(int line, Sort next) {
    boolean same = sort.isEmpty() || sort.get() == next;
    if (!same) fault(line, "two-sorts");
    sort = sort.or(() -> Optional.of(next));
    return same;
  }

  private void choice(int line, String rest, boolean right) {
    if (!is(line, Sort.CHOICES)) return;
    Matcher share = SHARE.matcher(rest);
    if (!share.matches()) {
      choices.add(new Choice(rest, right, Optional.empty(), ""));
      return;
    }
    double part = number(share.group(2)) / 100;
    if (Math.abs(part) > 1 || right != part > 0) fault(line, "share");
    choices.add(new Choice(share.group(1), right, Optional.of(part), ""));
  }

  private void said(int line, String rest) {
    if (choices.isEmpty()) fault(line, "no-choice-above");
    else choices.add(choices.removeLast().saying(rest));
  }

  private void pair(int line, String begins, String ends) {
    if (!is(line, Sort.PAIRS)) return;
    if (begins.isEmpty()) more.add(ends);
    else pairs.add(new PairsWanted.Pair(letter(pairs.size()), begins, ends));
  }

  private void hint(int line, String rest) {
    Matcher cost = SHARE.matcher(rest);
    boolean said = cost.matches();
    double share = said ? number(cost.group(2)) / 100 : HINT;
    if (share < 0 || share > 1) fault(line, "hint-cost");
    else hints.add(new Hint(said ? cost.group(1) : rest, share));
  }

  private void tags(String rest) {
    Arrays.stream(rest.split(",", -1))
        .map(String::strip)
        .filter(tag -> !tag.isEmpty())
        .forEach(tags::add);
  }

  private void difficulty(int line, String rest) {
    difficulty =
        Arrays.stream(Difficulty.values())
            .filter(d -> d.name().toLowerCase(Locale.ROOT).equals(rest.toLowerCase(Locale.ROOT)))
            .findFirst();
    if (difficulty.isEmpty()) fault(line, "difficulty");
  }

  private static double number(String text) {
    return Double.parseDouble(text.replace(',', '.'));
  }

  /** What was read; only without faults. */
  QuestionText.Read read(String id) {
    var question =
        new Question(
            id,
            Shown.of(String.join("\n", text)),
            points,
            String.join("\n", feedback),
            hints,
            Optional.empty(),
            answers());
    return new QuestionText.Read(at, question, List.copyOf(tags), difficulty);
  }

  private Asked<?> answers() {
    return switch (sort.orElse(Sort.CHOICES)) {
      case CHOICES -> choices();
      case TYPED -> typed();
      case PAIRS -> new PairsWanted(pairs, more);
      case ORDER -> new OrderWanted(named(order, OrderWanted.Thing::new), /* inPart= */ true);
      case GAPS -> new GapText(String.join("\n", gaps), /* withCase= */ false);
      case TEXT -> new TextWanted(String.join("\n", expected).strip());
    };
  }

  private Asked<?> choices() {
    long right = choices.stream().filter(Choice::right).count();
    boolean shares = choices.stream().anyMatch(choice -> choice.share().isPresent());
    if (right > 1 || shares) {
      double even = 1.0 / Math.max(1, right);
      List<SeveralChoices.Choice> all = new ArrayList<>();
      for (Choice c : choices)
        all.add(
            new SeveralChoices.Choice(
                letter(all.size()),
                Shown.of(c.text()),
                c.share().orElse(c.right() ? even : 0),
                c.feedback()));
      return new SeveralChoices(all);
    }
    List<Choices.Choice> all = new ArrayList<>();
    String rightOne = "";
    for (Choice c : choices) {
      String id = letter(all.size());
      if (c.right()) rightOne = id;
      all.add(new Choices.Choice(id, Shown.of(c.text()), c.feedback()));
    }
    return new Choices(all, rightOne);
  }

  private Asked<?> typed() {
    String first = typed.getFirst();
    if (typed.size() == 1 && (first.equals("true") || first.equals("false")))
      return new Statement(first.equals("true"));
    Matcher number = NUMBER.matcher(first);
    if (typed.size() == 1 && number.matches())
      return new NumberWanted(
          number(number.group(1)),
          Optional.ofNullable(number.group(2)).map(OneQuestion::number).orElse(0.0),
          number.group(3) != null,
          Optional.ofNullable(number.group(4)).orElse(""));
    return new WordsWanted(typed.stream().map(OneQuestion::form).toList(), /* withCase= */ false);
  }

  private static WordsWanted.Form form(String words) {
    Matcher share = SHARE.matcher(words);
    if (!share.matches()) return new WordsWanted.Form(words, 1);
    double part = number(share.group(2)) / 100;
    return part > 0 && part <= 1
        ? new WordsWanted.Form(share.group(1), part)
        : new WordsWanted.Form(words, 1);
  }

  private static <T> List<T> named(List<String> words, BiFunction<String, String, T> made) {
    List<T> all = new ArrayList<>();
    for (String one : words) all.add(made.apply(letter(all.size()), one));
    return all;
  }

  /** Names of parts: a to z, and with a number behind them after that. */
  private static String letter(int n) {
    String letter = Character.toString('a' + n % 26);
    return n < 26 ? letter : letter + n / 26;
  }
}
