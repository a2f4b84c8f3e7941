package yendrik.core.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import yendrik.core.course.StepKind;
import yendrik.core.progress.StepState;
import yendrik.core.rule.Turn;
import yendrik.core.rule.check.Fault;

class CatalogueTest {
  private static final Path ROOT = Path.of("..");

  /** Where code names a sentence, and what its key begins with. */
  private static final Map<Pattern, String> NAMED =
      Map.of(
          Pattern.compile(
              "(?:Phrase\\.of|Question\\.of|asks|named|badge|dates|say|ofModule|joined)\\("
                  + "[^;]*?\"([a-z][a-z-]*\\.[a-zA-Z.-]*[a-zA-Z])\""),
          "",
          Pattern.compile("new Refusal\\(\\s*\"([a-z.-]+[a-z])\""),
          "refused.",
          Pattern.compile(
              "Problem\\.(?:forbidden|unauthorized|notUnderstood|conflict)\\(\\s*\"([^\"]+)\""),
          "problem.",
          Pattern.compile("Problem\\.field\\(\\s*\"[^\"]+\",\\s*\"([^\"]+)\""),
          "problem.",
          Pattern.compile("Problem\\.(?:closed|tooMany|faults)\\([^;\"]*\"([^\"]+)\""),
          "problem.",
          Pattern.compile("Problem\\.notFound\\(\"([^\"]+)\""),
          "problem.not-found.",
          Pattern.compile("message = \"([^\"{]+)\""),
          "valid.");

  private static final Pattern LITERAL = Pattern.compile("\"([a-zA-Z][a-zA-Z0-9 .-]*)\"");

  private static final Writing BERLIN =
      Writing.of(
          Catalogue.english(), ZoneId.of("Europe/Berlin"), Instant.parse("2026-11-23T15:30:00Z"));

  @Test
  void plural_forms_and_selections_are_those_of_the_language() {
    Phrase step = Phrase.text("Pads");
    assertThat(BERLIN.say(Question.of(step, "ask.attempted", "n", 1, "step", step).says()))
        .isEqualTo("1 attempt made");
    assertThat(BERLIN.say(Question.of(step, "ask.attempted", "n", 1_200, "step", step).toDo()))
        .isEqualTo("make 1,200 attempts at Pads");
    assertThat(BERLIN.say(Phrase.of("fact.marked", "judgement", "AGAIN", "step", step)))
        .isEqualTo("Needs another go: Pads");
  }

  @Test
  void phrases_stand_in_phrases_lists_get_commas_and_moments_the_readers_dates() {
    var names = new Phrase.Listed(Stream.of("A", "B", "C").map(Phrase::quoted).toList());
    assertThat(BERLIN.say(Phrase.of("reason.overdue", "n", 3, "steps", names)))
        .isEqualTo("3 steps overdue: “A”, “B”, “C”.");
    Instant evening = Instant.parse("2027-01-08T18:05:00Z");
    assertThat(BERLIN.say(Phrase.of("fact.due-moved", "step", "Pads", "due", evening)))
        .isEqualTo("Pads due Fri 8 Jan 2027, 19:05");
    assertThat(BERLIN.say(Phrase.of("ground.by", "what", "read", "day", new Phrase.Day(evening))))
        .isEqualTo("read, Fri 8 Jan 2027");
    assertThat(BERLIN.say(new Phrase("text", Map.of("text", new Phrase.Listed(List.of())))))
        .isEmpty();
  }

  @Test
  void what_people_wrote_is_never_read_as_a_message() {
    String odd = "It's {n} 'of' # <b>";
    assertThat(BERLIN.say(Phrase.text(odd))).isEqualTo(odd);
    assertThat(BERLIN.say(Phrase.of("fact.opened", "step", Phrase.quoted(odd)).saying(odd)))
        .isEqualTo("Opened “" + odd + "”. “" + odd + "”");
    assertThat(Phrase.of("fact.opened", "step", "Pads").saying(" "))
        .isEqualTo(Phrase.of("fact.opened", "step", "Pads"));
  }

  @Test
  void an_institution_words_sentences_anew_and_adds_none() {
    Catalogue own = Catalogue.english().with(Map.of("ground.read", "gone through", "x.y", "z"));
    var there = new Writing(own, ZoneId.of("Europe/Berlin"), 2026);
    assertThat(there.say(Phrase.of("ground.read"))).isEqualTo("gone through");
    assertThat(own.keys()).isEqualTo(Catalogue.english().keys());
    assertThat(BERLIN.say(Phrase.of("ground.read"))).as("and nobody else's").isEqualTo("read");
  }

  @Test
  void wording_that_could_not_be_said_is_left_out() {
    Map<String, String> own =
        Map.of(
            "fact.opened",
            "Opened {step} for {whom}",
            "fact.left",
            "Left {",
            "fact.enrolled",
            "In");
    var there = new Writing(Catalogue.english().with(own), ZoneId.of("Europe/Berlin"), 2026);
    assertThat(there.say(Phrase.of("fact.opened", "step", "Pads"))).isEqualTo("Opened Pads");
    assertThat(there.say(Phrase.of("fact.left"))).isEqualTo("Left the course");
    assertThat(there.say(Phrase.of("fact.enrolled"))).isEqualTo("In");
  }

  @Test
  void what_is_missing_is_named() {
    assertThatThrownBy(() -> BERLIN.say(Phrase.of("no.such"))).hasMessageContaining("no.such");
    assertThatThrownBy(() -> BERLIN.say(Phrase.of("fact.opened")))
        .hasMessageContaining("“fact.opened” needs step");
  }

  @Test
  void every_message_of_every_part_can_be_read() throws IOException {
    for (Path file : files(ROOT.resolve("words"), ".properties")) {
      var messages = new Properties();
      try (Reader in = Files.newBufferedReader(file)) {
        messages.load(in);
      }
      assertThat(messages).as(file.toString()).isNotEmpty();
      messages.forEach((key, message) ->
          assertThat(new MessageFormat((String) message, Locale.ENGLISH)).as("" + key).isNotNull());
    }
  }

  @Test
  void every_sentence_that_the_code_asks_for_is_there() throws IOException {
    Set<String> asked = new TreeSet<>();
    for (String source : sources())
      NAMED.forEach((pattern, group) -> {
        var keys = pattern.matcher(source);
        while (keys.find()) asked.add(group + keys.group(1).replace(' ', '-'));
      });
    assertThat(asked).hasSizeGreaterThan(300);
    Set<String> there = Catalogue.english().keys();
    asked.removeIf(key -> there.stream().anyMatch(k -> k.equals(key) || k.startsWith(key + ".")));
    assertThat(asked).isEmpty();
  }

  @Test
  void every_sentence_is_asked_for() throws IOException {
    Set<String> literals = new TreeSet<>();
    for (String source : sources()) {
      var found = LITERAL.matcher(source);
      while (found.find()) literals.add(found.group(1).replace(' ', '-'));
    }
    Set<String> left = new TreeSet<>(Catalogue.english().keys());
    left.removeIf(key -> asked(key, literals));
    assertThat(left).isEmpty();
  }

  /** By its whole key, by the end of it, or by a beginning to which something is added. */
  private static boolean asked(String key, Set<String> literals) {
    String question = key.replaceFirst("\\.(says|to-do|did)$", "");
    if (literals.contains(key) || literals.contains(question)) return true;
    for (int dot = key.indexOf('.'); dot >= 0; dot = key.indexOf('.', dot + 1))
      if (literals.contains(key.substring(dot + 1)) || literals.contains(key.substring(0, dot + 1)))
        return true;
    return key.startsWith("place.a-");
  }

  /** Keys that are put together from names in the code. */
  @Test
  void every_kind_state_turn_and_fault_has_its_word() {
    Stream<String> keys =
        Stream.of(
                Stream.of(StepKind.values()).map(k -> "kind." + k + ".name"),
                Stream.of(StepState.values()).map(s -> "state." + s),
                Stream.of(Turn.values()).map(t -> "turn." + t),
                Stream.of(Fault.Code.values()).map(c -> "fault." + c))
            .flatMap(k -> k);
    assertThat(Catalogue.english().keys()).containsAll(keys.toList());
  }

  private static List<String> sources() throws IOException {
    List<String> all = new ArrayList<>();
    for (String part : List.of("core", "formats", "server"))
      for (Path file : files(ROOT.resolve(part + "/src/main/java"), ".java"))
        all.add(Files.readString(file));
    return all;
  }

  private static List<Path> files(Path folder, String ending) throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      return new ArrayList<>(all.filter(p -> p.toString().endsWith(ending)).sorted().toList());
    }
  }
}
