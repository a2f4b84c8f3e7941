package yendrik.formats.qti;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.w3c.dom.Node;
import org.w3c.dom.Text;
import yendrik.core.quiz.Asked;
import yendrik.core.quiz.Shown;
import yendrik.core.quiz.kinds.brief.WordsWanted;
import yendrik.core.quiz.kinds.choice.Choices;
import yendrik.core.quiz.kinds.gaps.GapText;
import yendrik.core.quiz.kinds.match.PairsWanted;
import yendrik.core.quiz.kinds.numeric.NumberWanted;
import yendrik.core.quiz.kinds.open.TextWanted;
import yendrik.core.quiz.kinds.order.OrderWanted;
import yendrik.core.quiz.kinds.place.PlaceWanted;
import yendrik.core.quiz.kinds.several.SeveralChoices;
import yendrik.core.quiz.kinds.statement.Statement;

/** What an item asks, by the kinds of questions that there are here. */
final class ReadParts {
  private static final Set<String> TRUE_FALSE = Set.of("true", "false");
  private static final String TYPED = "textEntryInteraction";
  private static final Set<String> BLOCKS = Set.of("p", "div", "li", "br", "tr", "h2", "h3");

  private final ReadItem item;
  private final Shows shows;
  private final Tag body;
  private Optional<Shown> text = Optional.empty();

  ReadParts(ReadItem item, Shows shows, Tag body) {
    this.item = item;
    this.shows = shows;
    this.body = body;
  }

  /** What is asked, where that is not what stands around the answers. */
  Optional<Shown> text() {
    return text;
  }

  Asked<?> asked(List<Tag> interactions) throws Left {
    if (interactions.stream().allMatch(i -> i.is(TYPED))) return typed(interactions);
    if (interactions.size() > 1) throw new Left("several");
    Tag one = interactions.getFirst();
    return switch (one.name()) {
      case "choiceInteraction" -> choices(one);
      case "orderInteraction" -> order(one);
      case "matchInteraction" -> pairs(one);
      case "extendedTextInteraction" -> new TextWanted(item.expected());
      case "selectPointInteraction" -> place(one, item.declared(one).areas());
      case "hotspotInteraction" -> hotspots(one);
      default -> throw new Left("kind", "kind", one.name());
    };
  }

  /** Names of parts: a to z, and with a number behind them after that. */
  private static String letter(int n) {
    String letter = Character.toString('a' + n % 26);
    return n < 26 ? letter : letter + n / 26;
  }

  private static String id(Tag tag) {
    return tag.attr("identifier").orElse("");
  }

  // --- choices ----------------------------------------------------------------------------------
  private Asked<?> choices(Tag one) throws Left {
    Declared declared = item.declared(one);
    List<Tag> choices = one.children("simpleChoice");
    if (choices.stream().anyMatch(c -> c.attr("fixed").equals(Optional.of("true"))))
      item.changed("fixed");
    if (declared.several()) return several(choices, declared);
    String right = right(declared);
    if (choices.stream().allMatch(ReadParts::saysItself)
        && choices.stream().map(ReadParts::id).collect(Collectors.toSet()).equals(TRUE_FALSE))
      return new Statement(right.equals("true"));
    List<Choices.Choice> all = new ArrayList<>();
    String rightOne = "";
    for (Tag choice : choices) {
      String letter = letter(all.size());
      if (id(choice).equals(right)) rightOne = letter;
      all.add(new Choices.Choice(letter, words(choice), item.saidOf(id(choice), choice)));
    }
    return new Choices(all, rightOne);
  }

  /** Whether a choice is called what it says: "yes" under the name of "true" is a choice. */
  private static boolean saysItself(Tag choice) {
    return choice.text().equalsIgnoreCase(id(choice));
  }

  private String right(Declared declared) {
    Optional<Map.Entry<String, Double>> best =
        declared.worth().entrySet().stream()
            .filter(e -> e.getValue() > 0)
            .max(Map.Entry.comparingByValue());
    if (declared.worth().values().stream().filter(w -> w > 0).count() > 1)
      item.changed("part-of-one");
    return best.map(Map.Entry::getKey).or(() -> declared.correct().stream().findFirst()).orElse("");
  }

  private Shown words(Tag choice) {
    return shows.in(choice, t -> t.is("feedbackInline"));
  }

  private Asked<?> several(List<Tag> choices, Declared declared) {
    boolean mapped = !declared.worth().isEmpty();
    if (!mapped) item.changed("in-part");
    List<SeveralChoices.Choice> all = new ArrayList<>();
    for (Tag choice : choices) {
      String id = id(choice);
      double even = declared.correct().contains(id) ? 1.0 / declared.correct().size() : 0;
      double share = mapped ? declared.share(id) : even;
      all.add(
          new SeveralChoices.Choice(
              letter(all.size()),
              words(choice),
              Math.clamp(share, -1, 1),
              item.saidOf(id, choice)));
    }
    return new SeveralChoices(all);
  }

  // --- order and pairs --------------------------------------------------------------------------
  private Asked<?> order(Tag one) throws Left {
    Map<String, String> words = new HashMap<>();
    for (Tag choice : one.children("simpleChoice")) words.put(id(choice), words(choice).text());
    List<OrderWanted.Thing> things = new ArrayList<>();
    for (String id : item.declared(one).correct())
      if (words.containsKey(id))
        things.add(new OrderWanted.Thing(letter(things.size()), words.get(id)));
    if (things.size() < words.size()) throw new Left("order");
    return new OrderWanted(things, one.attr("data-in-part").equals(Optional.of("true")));
  }

  private Asked<?> pairs(Tag one) throws Left {
    List<Tag> sets = one.children("simpleMatchSet");
    if (sets.size() != 2) throw new Left("kind", "kind", one.name());
    Declared declared = item.declared(one);
    Map<String, String> ends = new HashMap<>();
    for (Tag end : sets.get(1).children()) ends.put(id(end), words(end).text());
    Map<String, List<String>> right = new HashMap<>();
    for (String pair : rightPairs(declared)) {
      List<String> both = Arrays.asList(pair.split("\\s+", -1));
      if (both.size() == 2)
        right.computeIfAbsent(both.getFirst(), _ -> new ArrayList<>()).add(both.getLast());
    }
    if (declared.worth().isEmpty()) item.changed("in-part");
    List<PairsWanted.Pair> pairs = new ArrayList<>();
    Set<String> used = new HashSet<>();
    for (Tag begin : sets.get(0).children()) {
      List<String> to = right.getOrDefault(id(begin), List.of());
      if (to.size() != 1 || !ends.containsKey(to.getFirst())) throw new Left("pairs");
      used.add(to.getFirst());
      pairs.add(
          new PairsWanted.Pair(letter(pairs.size()), words(begin).text(), ends.get(to.getFirst())));
    }
    return new PairsWanted(
        pairs,
        sets.get(1).children().stream()
            .filter(end -> !used.contains(id(end)))
            .map(end -> ends.get(id(end)))
            .toList());
  }

  private static List<String> rightPairs(Declared declared) {
    if (!declared.correct().isEmpty()) return declared.correct();
    return declared.worth().entrySet().stream()
        .filter(e -> e.getValue() > 0)
        .map(Map.Entry::getKey)
        .toList();
  }

  // --- what is typed ----------------------------------------------------------------------------
  private Asked<?> typed(List<Tag> gaps) throws Left {
    Declared first = item.declared(gaps.getFirst());
    if (gaps.size() == 1 && first.numeric()) {
      text = Optional.of(around(_ -> "…"));
      ReadItem.Tolerance tolerance = item.tolerance();
      double number =
          rightWords(first).stream().findFirst().flatMap(Tag::toNumber).orElse(Double.NaN);
      return new NumberWanted(number, tolerance.off(), tolerance.percent(), "");
    }
    if (gaps.size() == 1 && standsAlone()) return brief(first);
    for (Tag gap : gaps) if (rightWords(item.declared(gap)).isEmpty()) throw new Left("gap");
    text = Optional.of(shows.of(body.children(), t -> holdsGap(t) || ReadItem.beside(t)));
    String source =
        written(
            body.children().stream().filter(ReadParts::holdsGap).toList(),
            gap ->
                rightWords(item.declared(gap)).stream()
                    .map(form -> form.replaceAll("[|\\]]", " "))
                    .collect(Collectors.joining("|", "[", "]")),
            "[[");
    return new GapText(source, gaps.stream().anyMatch(g -> item.declared(g).withCase()));
  }

  private WordsWanted brief(Declared declared) {
    boolean mapped = !declared.worth().isEmpty();
    List<WordsWanted.Form> forms = new ArrayList<>();
    for (String words : rightWords(declared)) {
      double share = mapped ? declared.share(words) : 1;
      forms.add(new WordsWanted.Form(words, Math.clamp(share, 1e-6, 1)));
    }
    return new WordsWanted(forms, declared.withCase());
  }

  private static List<String> rightWords(Declared declared) {
    List<String> mapped =
        declared.worth().entrySet().stream()
            .filter(e -> e.getValue() > 0)
            .map(Map.Entry::getKey)
            .toList();
    return mapped.isEmpty() ? declared.correct() : mapped;
  }

  private static boolean holdsGap(Tag tag) {
    return !tag.all(TYPED).isEmpty();
  }

  private boolean standsAlone() {
    return body.children().stream()
        .filter(ReadParts::holdsGap)
        .allMatch(block -> written(List.of(block), _ -> "", "[").isBlank());
  }

  private Shown around(Function<Tag, String> gap) {
    boolean alone = standsAlone();
    if (alone) return shows.of(body.children(), t -> holdsGap(t) || ReadItem.beside(t));
    return Shown.of(
        written(body.children().stream().filter(t -> !ReadItem.beside(t)).toList(), gap, "["));
  }

  /** Words with gaps in them, a line for each block. */
  private static String written(List<Tag> tags, Function<Tag, String> gap, String bracket) {
    StringBuilder words = new StringBuilder();
    for (Tag tag : tags) write(tag.element(), words, gap, bracket);
    return words
        .toString()
        .lines()
        .map(line -> line.replaceAll("[\\p{Z}\\s]+", " ").strip())
        .filter(line -> !line.isEmpty())
        .collect(Collectors.joining("\n"));
  }

  private static void write(
      Node node, StringBuilder words, Function<Tag, String> gap, String bracket) {
    if (node instanceof Text text)
      words.append(text.getData().replaceAll("[\\p{Z}\\s]+", " ").replace("[", bracket));
    Tag.tag(node)
        .forEach(tag -> {
          if (tag.is(TYPED)) words.append(gap.apply(tag));
          else Tag.nodes(node.getChildNodes()).forEach(child -> write(child, words, gap, bracket));
          if (BLOCKS.contains(tag.name())) words.append('\n');
        });
  }

  // --- places -----------------------------------------------------------------------------------
  private Tag picture(Tag one) throws Left {
    return one.all().stream()
        .filter(t -> t.is("img") || t.is("object"))
        .findFirst()
        .orElseThrow(() -> new Left("no-picture"));
  }

  private Asked<?> hotspots(Tag one) throws Left {
    Declared declared = item.declared(one);
    if (declared.correct().size() > 1) item.changed("one-of-places");
    return place(
        one,
        one.children("hotspotChoice").stream()
            .filter(spot -> rightWords(declared).contains(id(spot)))
            .toList());
  }

  private Asked<?> place(Tag one, List<Tag> areas) throws Left {
    Tag picture = picture(one);
    long number = shows.number(picture).orElseThrow(() -> new Left("no-picture"));
    Size size = Size.of(picture, shows.file(number)).orElseThrow(() -> new Left("picture-size"));
    List<String> called = item.called();
    List<PlaceWanted.Area> all = new ArrayList<>();
    for (Tag area : areas) {
      int n = all.size();
      String name =
          called.size() == areas.size() ? called.get(n) : area.attr("hotspotLabel").orElse("");
      Area.of(area, size)
          .ifPresent(a -> all.add(a.called(letter(n), name.isBlank() ? "" + (n + 1) : name)));
      if (area.attr("shape").equals(Optional.of("poly"))) item.changed("shape");
    }
    String described = Shows.described(picture);
    return new PlaceWanted(
        Optional.of(number), described.isBlank() ? item.title() : described, all);
  }
}
