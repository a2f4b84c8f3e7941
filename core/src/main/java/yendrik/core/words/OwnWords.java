package yendrik.core.words;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yendrik.core.Refusal;

/**
 * What an institution, a course or a step says to learners in words of its own. A text may name
 * whom it is said to and about what, in braces: {@code {learner}}, {@code {step}}, {@code
 * {course}}; nothing else in it is more than text.
 *
 * @param texts by moment; what is not there is said as it is elsewhere
 */
public record OwnWords(Map<Moment, String> texts) {
  /** The most characters of one text. */
  public static final int MOST = 600;

  public static final OwnWords NONE = new OwnWords(Map.of());

  private static final Pattern NAMED = Pattern.compile("\\{(learner|step|course)}");
  private static final Pattern BRACE = Pattern.compile("[{}][^{}]{0,20}}?");

  /** Texts without a letter in them are left out: they say nothing. */
  public OwnWords {
    Map<Moment, String> said = new HashMap<>();
    texts.forEach((moment, text) -> {
      if (!text.isBlank()) said.put(moment, text.strip());
    });
    texts = Map.copyOf(said);
  }

  /**
   * The same, if its texts can be said.
   *
   * @throws Refusal if one is too long, or has braces with something in them that is not known, or
   *     names the step where it is about the course
   */
  public OwnWords checked() {
    texts.forEach(OwnWords::check);
    return this;
  }

  private static void check(Moment moment, String text) {
    if (text.length() > MOST) throw new Refusal("own-words-too-long", "most", MOST);
    Matcher brace = BRACE.matcher(NAMED.matcher(text).replaceAll(""));
    if (brace.find()) throw new Refusal("own-words-unknown", "what", brace.group());
    if (moment == Moment.COMPLETED && text.contains("{step}"))
      throw new Refusal("own-words-no-step");
  }

  /** What is said here, and where nothing is, what is said by others. */
  public OwnWords over(OwnWords others) {
    Map<Moment, String> all = new HashMap<>(others.texts);
    all.putAll(texts);
    return new OwnWords(all);
  }

  /**
   * What is said at a moment; empty where it is not in own words.
   *
   * @param named what stands for learner, step and course; asked for only where it is named
   */
  public Optional<String> say(Moment moment, Function<String, String> named) {
    return Optional.ofNullable(texts.get(moment))
        .map(text ->
            NAMED
                .matcher(text)
                .replaceAll((MatchResult r) -> Matcher.quoteReplacement(named.apply(r.group(1)))));
  }
}
