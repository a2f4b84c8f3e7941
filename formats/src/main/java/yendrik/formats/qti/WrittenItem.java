package yendrik.formats.qti;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.LongFunction;
import java.util.stream.Stream;
import javax.xml.stream.XMLStreamException;
import yendrik.core.quiz.Question;
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
import yendrik.core.words.Phrase;

/** A question as an item of version 3.0. */
final class WrittenItem {
  private static final String RESPONSE = "RESPONSE";
  private static final String ID = "identifier";
  private static final String RESPONSE_ID = "response-identifier";

  private final Question question;
  private final String id;
  private final LongFunction<Optional<Packed>> files;
  private final Set<String> pictures = new LinkedHashSet<>();
  private final XmlOut xml = new XmlOut();

  /**
   * A picture in the package.
   *
   * @param path beside the item
   */
  record Packed(String path, Size size) {}

  /**
   * @param files where a picture stands in the package, by its number
   */
  WrittenItem(Question question, String id, LongFunction<Optional<Packed>> files) {
    this.question = question;
    this.id = id;
    this.files = files;
  }

  Set<String> pictures() {
    return pictures;
  }

  /** What an item cannot say of a question. */
  static List<QtiNote> leaves(Question question) {
    List<String> keys = new ArrayList<>();
    if (!question.hints().isEmpty()) keys.add("hints");
    boolean stars =
        switch (question.asked()) {
          case WordsWanted w -> w.forms().stream().anyMatch(f -> f.words().contains("*"));
          case GapText g ->
              g.gaps().stream().flatMap(x -> x.forms().stream()).anyMatch(f -> f.contains("*"));
          default -> false;
        };
    if (stars) keys.add("stars");
    if (question.asked() instanceof OrderWanted(var _, var inPart) && inPart)
      keys.add("neighbours");
    if (question.asked() instanceof NumberWanted n && !n.unit().isEmpty()) keys.add("unit");
    if (question.asked().rubric().isPresent()) keys.add("rubric");
    return keys.stream()
        .map(key -> new QtiNote(question.text(), false, Phrase.of("qti.leaves." + key)))
        .toList();
  }

  byte[] xml() {
    xml.tag(
        "qti-assessment-item",
        () -> {
          declarations();
          xml.tag(
              "qti-outcome-declaration",
              "",
              ID,
              "SCORE",
              "cardinality",
              "single",
              "base-type",
              "float",
              "normal-maximum",
              plain(question.points()));
          outcome("FEEDBACK", "single");
          if (saysOfChoices()) outcome("CHOSEN", "multiple");
          xml.tag("qti-item-body", this::body);
          processing();
          if (!question.feedback().isBlank())
            xml.tag(
                "qti-modal-feedback",
                () -> xml.tag("qti-content-body", () -> paragraphs(question.feedback())),
                "outcome-identifier",
                "FEEDBACK",
                "show-hide",
                "show",
                ID,
                "said");
        },
        "xmlns",
        "http://www.imsglobal.org/xsd/imsqtiasi_v3p0",
        ID,
        id,
        "title",
        shortened(question.text()),
        "adaptive",
        "false",
        "time-dependent",
        "false");
    return xml.written();
  }

  private static String shortened(String text) {
    String line = text.replaceAll("\\s+", " ").strip();
    return line.length() <= 120 ? line : line.substring(0, 119) + "…";
  }

  private void outcome(String name, String cardinality) {
    xml.tag(
        "qti-outcome-declaration",
        "",
        ID,
        name,
        "cardinality",
        cardinality,
        "base-type",
        "identifier");
  }

  private boolean saysOfChoices() {
    return switch (question.asked()) {
      case Choices(var choices, var _) -> choices.stream().anyMatch(c -> !c.feedback().isBlank());
      case SeveralChoices(var choices) -> choices.stream().anyMatch(c -> !c.feedback().isBlank());
      default -> false;
    };
  }

  private static String plain(double number) {
    return new BigDecimal(number, MathContext.DECIMAL64)
        .round(new MathContext(12))
        .stripTrailingZeros()
        .toPlainString();
  }

  // --- what is right ----------------------------------------------------------------------------
  private void declarations() {
    double points = question.points();
    switch (question.asked()) {
      case Choices(var _, var right) ->
          declare(
              RESPONSE,
              "single",
              "identifier",
              List.of(named(right)),
              Map.of(named(right), points));
      case Statement(var isTrue) ->
          declare(
              RESPONSE, "single", "identifier", List.of("" + isTrue), Map.of("" + isTrue, points));
      case SeveralChoices(var choices) -> {
        double whole =
            choices.stream()
                .filter(SeveralChoices.Choice::right)
                .mapToDouble(SeveralChoices.Choice::share)
                .sum();
        Map<String, Double> worth = new LinkedHashMap<>();
        for (SeveralChoices.Choice c : choices)
          if (c.share() != 0) worth.put(named(c.id()), c.share() / whole * points);
        declare(
            RESPONSE,
            "multiple",
            "identifier",
            choices.stream().filter(SeveralChoices.Choice::right).map(c -> named(c.id())).toList(),
            worth);
      }
      case OrderWanted(var things, var _) ->
          declare(
              RESPONSE,
              "ordered",
              "identifier",
              things.stream().map(t -> named(t.id())).toList(),
              Map.of());
      case PairsWanted wanted -> {
        Map<String, Double> worth = new LinkedHashMap<>();
        for (PairsWanted.Pair p : wanted.pairs())
          worth.put(named(p.id()) + " " + end(wanted, p.ends()), points / wanted.pairs().size());
        declare(RESPONSE, "multiple", "directedPair", new ArrayList<>(worth.keySet()), worth);
      }
      case WordsWanted(var forms, var withCase) -> {
        Map<String, Double> worth = new LinkedHashMap<>();
        for (WordsWanted.Form f : forms) worth.put(f.words(), f.share() * points);
        declareWords(RESPONSE, worth, withCase);
      }
      case GapText gaps -> {
        List<GapText.Gap> all = gaps.gaps();
        for (int n = 0; n < all.size(); n++) {
          Map<String, Double> worth = new LinkedHashMap<>();
          for (String form : all.get(n).forms()) worth.put(form, points / all.size());
          declareWords(RESPONSE + (n + 1), worth, gaps.withCase());
        }
      }
      case NumberWanted number ->
          declare(RESPONSE, "single", "float", List.of(plain(number.number())), Map.of());
      case TextWanted _ -> declare(RESPONSE, "single", "string", List.of(), Map.of());
      case PlaceWanted place -> declarePlace(place);
      default -> throw new IllegalArgumentException("no item for " + question.asked().kind());
    }
  }

  /** An identifier of the standard begins with a letter; ours may begin with anything. */
  private static String named(String part) {
    return "c-" + part.replaceAll("[^A-Za-z0-9_.-]", "_");
  }

  private static String end(PairsWanted wanted, String words) {
    return "e" + (wanted.ends().indexOf(words) + 1);
  }

  private void declare(
      String name,
      String cardinality,
      String type,
      List<String> correct,
      Map<String, Double> worth) {
    xml.tag(
        "qti-response-declaration",
        () -> {
          if (!correct.isEmpty())
            xml.tag(
                "qti-correct-response",
                () -> correct.forEach(value -> xml.tag("qti-value", value)));
          if (!worth.isEmpty())
            xml.tag(
                "qti-mapping",
                () -> worth.forEach((key, value) -> entry(key, value)),
                "default-value",
                "0",
                "lower-bound",
                "0",
                "upper-bound",
                plain(question.points()));
        },
        ID,
        name,
        "cardinality",
        cardinality,
        "base-type",
        type);
  }

  private void entry(String key, double value, String... with) {
    String[] all =
        Stream.concat(Stream.of("map-key", key, "mapped-value", plain(value)), Stream.of(with))
            .toArray(String[]::new);
    xml.tag("qti-map-entry", "", all);
  }

  private void declareWords(String name, Map<String, Double> worth, boolean withCase) {
    xml.tag(
        "qti-response-declaration",
        () -> {
          xml.tag(
              "qti-correct-response",
              () -> worth.keySet().stream().limit(1).forEach(v -> xml.tag("qti-value", v)));
          xml.tag(
              "qti-mapping",
              () ->
                  worth.forEach((key, value) -> entry(key, value, "case-sensitive", "" + withCase)),
              "default-value",
              "0");
        },
        ID,
        name,
        "cardinality",
        "single",
        "base-type",
        "string");
  }

  private void declarePlace(PlaceWanted place) {
    Size size = place.picture().flatMap(files::apply).map(Packed::size).orElse(new Size(1, 1));
    xml.tag(
        "qti-response-declaration",
        () ->
            xml.tag(
                "qti-area-mapping",
                () -> {
                  for (PlaceWanted.Area a : place.areas())
                    xml.tag(
                        "qti-area-map-entry",
                        "",
                        "shape",
                        a.round() ? "ellipse" : "rect",
                        "coords",
                        coords(a, size),
                        "mapped-value",
                        plain(question.points()));
                },
                "default-value",
                "0"),
        ID,
        RESPONSE,
        "cardinality",
        "single",
        "base-type",
        "point");
  }

  private static String coords(PlaceWanted.Area a, Size size) {
    return a.round()
        ? pixels(
            a.middleX() * size.width(),
            a.middleY() * size.height(),
            a.width() / 2 * size.width(),
            a.height() / 2 * size.height())
        : pixels(
            a.left() * size.width(),
            a.top() * size.height(),
            (a.left() + a.width()) * size.width(),
            (a.top() + a.height()) * size.height());
  }

  private static String pixels(double... numbers) {
    List<String> whole = new ArrayList<>();
    for (double n : numbers) whole.add("" + Math.round(n));
    return String.join(",", whole);
  }

  // --- what is asked ----------------------------------------------------------------------------
  private void body() {
    shown(question.shown());
    switch (question.asked()) {
      case Choices(var choices, var _) ->
          choices("1", () -> choices.forEach(c -> choice(named(c.id()), c.shown(), c.feedback())));
      case SeveralChoices(var choices) ->
          choices("0", () -> choices.forEach(c -> choice(named(c.id()), c.shown(), c.feedback())));
      case Statement _ ->
          choices(
              "1",
              () -> {
                choice("true", Shown.of("True"), "");
                choice("false", Shown.of("False"), "");
              });
      case OrderWanted(var things, var inPart) ->
          xml.tag(
              "qti-order-interaction",
              () -> things.forEach(t -> xml.tag("qti-simple-choice", t.text(), ID, named(t.id()))),
              RESPONSE_ID,
              RESPONSE,
              "shuffle",
              "true",
              "data-in-part",
              "" + inPart);
      case PairsWanted wanted -> pairs(wanted);
      case WordsWanted _, NumberWanted _ -> xml.tag("p", () -> typed(RESPONSE));
      case GapText gaps -> gaps(gaps);
      case TextWanted(var expected, var _) -> {
        xml.tag("qti-extended-text-interaction", "", RESPONSE_ID, RESPONSE, "format", "xhtml");
        if (!expected.isBlank()) forScorers(() -> paragraphs(expected));
      }
      case PlaceWanted place -> place(place);
      default -> throw new IllegalArgumentException("no item for " + question.asked().kind());
    }
  }

  private void shown(Shown shown) {
    shown.formatted().ifPresentOrElse(this::formatted, () -> paragraphs(shown.text()));
  }

  /** Words that do not stand in a block come into one. */
  private void formatted(String html) {
    boolean inBlocks = html.startsWith("<p") || html.startsWith("<ul") || html.startsWith("<ol");
    if (inBlocks) xml.html(html, this::picture);
    else xml.tag("div", () -> xml.html(html, this::picture));
  }

  private void paragraphs(String text) {
    text.lines().forEach(line -> xml.tag("p", line));
  }

  private void picture(long file, String described) throws XMLStreamException {
    Optional<Packed> packed = files.apply(file);
    packed.ifPresentOrElse(
        p -> {
          pictures.add(p.path());
          xml.tag("img", "", "src", p.path(), "alt", described);
        },
        () -> xml.words(described));
  }

  private void choices(String most, XmlOut.Inside inside) {
    xml.tag(
        "qti-choice-interaction",
        inside,
        RESPONSE_ID,
        RESPONSE,
        "max-choices",
        most,
        "shuffle",
        "" + !(question.asked() instanceof Statement));
  }

  private void choice(String choice, Shown shown, String feedback) {
    xml.tag(
        "qti-simple-choice",
        () -> {
          if (shown.formatted().isPresent()) xml.html(shown.formatted().get(), this::picture);
          else xml.words(shown.text());
          if (!feedback.isBlank())
            xml.tag(
                "qti-feedback-inline",
                feedback,
                "outcome-identifier",
                "CHOSEN",
                "show-hide",
                "show",
                ID,
                choice);
        },
        ID,
        choice);
  }

  private void pairs(PairsWanted wanted) {
    xml.tag(
        "qti-match-interaction",
        () -> {
          xml.tag(
              "qti-simple-match-set",
              () -> wanted.pairs().forEach(p -> associable(named(p.id()), p.begins(), "1")));
          xml.tag(
              "qti-simple-match-set",
              () -> wanted.ends().forEach(e -> associable(end(wanted, e), e, "0")));
        },
        RESPONSE_ID,
        RESPONSE,
        "shuffle",
        "true",
        "max-associations",
        "" + wanted.pairs().size());
  }

  private void associable(String name, String words, String most) {
    xml.tag("qti-simple-associable-choice", words, ID, name, "match-max", most);
  }

  private void typed(String name) {
    xml.tag("qti-text-entry-interaction", "", RESPONSE_ID, name, "expected-length", "20");
  }

  private void gaps(GapText gaps) {
    List<String> around = gaps.around();
    xml.tag(
        "div",
        () -> {
          for (int n = 0; n < around.size(); n++) {
            String[] lines = around.get(n).split("\n", -1);
            for (int line = 0; line < lines.length; line++) {
              if (line > 0) xml.tag("br", "");
              xml.words(lines[line]);
            }
            if (n + 1 < around.size()) typed(RESPONSE + (n + 1));
          }
        });
  }

  private void forScorers(XmlOut.Inside inside) {
    xml.tag(
        "qti-rubric-block",
        () -> xml.tag("qti-content-body", inside),
        "use",
        "scoring",
        "view",
        "scorer");
  }

  private void place(PlaceWanted place) {
    Optional<Packed> picture = place.picture().flatMap(files::apply);
    picture.ifPresent(p -> pictures.add(p.path()));
    xml.tag(
        "qti-select-point-interaction",
        () ->
            picture.ifPresent(p ->
                xml.tag(
                    "img",
                    "",
                    "src",
                    p.path(),
                    "alt",
                    place.described(),
                    "width",
                    plain(p.size().width()),
                    "height",
                    plain(p.size().height()))),
        RESPONSE_ID,
        RESPONSE,
        "max-choices",
        "1");
    forScorers(() -> xml.tag("ul", () -> place.areas().forEach(a -> xml.tag("li", a.called()))));
  }

  // --- how it is marked -------------------------------------------------------------------------
  private void processing() {
    xml.tag(
        "qti-response-processing",
        () -> {
          score();
          xml.tag(
              "qti-set-outcome-value",
              () -> xml.tag("qti-base-value", "said", "base-type", "identifier"),
              ID,
              "FEEDBACK");
          if (saysOfChoices()) {
            boolean one = question.asked() instanceof Choices;
            xml.tag(
                "qti-set-outcome-value",
                () -> {
                  if (one) xml.tag("qti-multiple", () -> variable(RESPONSE));
                  else variable(RESPONSE);
                },
                ID,
                "CHOSEN");
          }
        });
  }

  private void variable(String name) {
    xml.tag("qti-variable", "", ID, name);
  }

  private void score() {
    switch (question.asked()) {
      case TextWanted _ -> {
        // staff say what it comes to
      }
      case OrderWanted _ ->
          whole(() ->
              xml.tag(
                  "qti-match",
                  () -> {
                    variable(RESPONSE);
                    xml.tag("qti-correct", "", ID, RESPONSE);
                  }));
      case NumberWanted number -> whole(() -> near(number));
      case GapText gaps ->
          set(() ->
              xml.tag(
                  "qti-sum",
                  () -> {
                    for (int n = 1; n <= gaps.gaps().size(); n++)
                      xml.tag("qti-map-response", "", ID, RESPONSE + n);
                  }));
      case PlaceWanted _ -> set(() -> xml.tag("qti-map-response-point", "", ID, RESPONSE));
      default -> set(() -> xml.tag("qti-map-response", "", ID, RESPONSE));
    }
  }

  private void near(NumberWanted number) {
    String mode = number.tolerance() == 0 ? "exact" : number.percent() ? "relative" : "absolute";
    String off = plain(number.tolerance());
    xml.tag(
        "qti-equal",
        () -> {
          variable(RESPONSE);
          xml.tag("qti-correct", "", ID, RESPONSE);
        },
        number.tolerance() == 0
            ? new String[] {"tolerance-mode", mode}
            : new String[] {"tolerance-mode", mode, "tolerance", off + " " + off});
  }

  private void set(XmlOut.Inside value) {
    xml.tag("qti-set-outcome-value", value, ID, "SCORE");
  }

  /** All points when something holds. */
  private void whole(XmlOut.Inside holds) {
    xml.tag(
        "qti-response-condition",
        () ->
            xml.tag(
                "qti-response-if",
                () -> {
                  holds.write();
                  set(() ->
                      xml.tag("qti-base-value", plain(question.points()), "base-type", "float"));
                }));
  }
}
