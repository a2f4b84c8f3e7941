package yendrik.core.rule.text;

import static java.util.Objects.requireNonNull;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import yendrik.core.Refusal;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.Id;
import yendrik.core.id.PersonId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.words.Phrase;

/**
 * Reads rules that {@link RuleWriter} wrote, or that somebody typed the same way. Capitals, line
 * ends and spaces do not matter, singular and plural are the same, names may stand in curly quotes
 * and be alone by their number ({@code #12}).
 */
public final class RuleReader {
  /** Deeper rules are nobody's. */
  private static final int DEEPEST = 30;

  private static final int MOST_PARTS = 500;
  private static final int MOST_FORMS = 20;

  private final Named named;
  private final ZoneId zone;
  private final Supplier<NodeId> ids;
  private final List<Token> tokens;
  private final int length;
  private int next;
  private int parts;

  private RuleReader(String text, CourseDesign design, RuleAt at, Supplier<NodeId> ids) {
    named = new Named(design, at);
    zone = design.zone();
    this.ids = ids;
    tokens = Token.of(text);
    length = text.length();
  }

  /**
   * The rule of a text, or what is wrong with the text.
   *
   * @param at where it is to stand
   * @param ids gives a fresh one each time
   */
  public static ReadRule read(String text, CourseDesign design, RuleAt at, Supplier<NodeId> ids) {
    try {
      var reader = new RuleReader(text, design, at, ids);
      return new ReadRule.Sound(reader.whole());
    } catch (Unreadable e) {
      return new ReadRule.Faulty(e.in(text));
    }
  }

  private Condition whole() {
    if (tokens.isEmpty()) throw new Unreadable(0, Phrase.of("rule-text.nothing"));
    Condition rule = condition(0);
    if (next < tokens.size()) {
      Token more = tokens.get(next);
      throw new Unreadable(more.at(), Phrase.of("rule-text.goes-on", "text", more.text()));
    }
    return rule;
  }

  private int place() {
    return next < tokens.size() ? tokens.get(next).at() : length;
  }

  private boolean at(String sign) {
    return next < tokens.size() && tokens.get(next).is(sign);
  }

  private Condition condition(int depth) {
    if (depth > DEEPEST || ++parts > MOST_PARTS)
      throw new Unreadable(place(), Phrase.of("rule-text.too-much"));
    int first = next;
    while (next < tokens.size() && !at("(") && !at(";") && !at(")")) next++;
    List<Token> own = tokens.subList(first, next);
    if (at("(")) return joint(own, depth);
    if (own.isEmpty()) throw new Unreadable(place(), Phrase.of("rule-text.condition-missing"));
    return new Condition.Ask(ids.get(), leaf(own));
  }

  private Condition joint(List<Token> head, int depth) {
    int open = place();
    next++;
    List<Condition> inside = new ArrayList<>();
    while (true) {
      inside.add(condition(depth + 1));
      if (at(";")) {
        next++;
        // a last one may have a semicolon behind it
        if (!at(")")) continue;
      }
      if (!at(")")) throw new Unreadable(open, Phrase.of("rule-text.unclosed"));
      next++;
      return joined(head, inside, open);
    }
  }

  private Condition joined(List<Token> head, List<Condition> inside, int open) {
    if (says(head, "all", "of")) return new Condition.All(ids.get(), inside);
    if (says(head, "any", "of")) return new Condition.Any(ids.get(), inside);
    if (says(head, "none", "of")) return new Condition.None(ids.get(), inside);
    int begin = head.isEmpty() ? open : head.getFirst().at();
    if (says(head, "at", "least", "1", "of")) {
      int n = whole(head.get(2));
      if (n < 1 || n > inside.size())
        throw new Unreadable(
            head.get(2).at(), Phrase.of("rule-text.at-least", "n", n, "parts", inside.size()));
      return new Condition.AtLeast(ids.get(), n, inside);
    }
    if (says(head, "1", "days", "after")) {
      if (inside.size() > 1) throw new Unreadable(open, Phrase.of("rule-text.after-one"));
      return made(
          begin, () -> new Condition.After(ids.get(), whole(head.getFirst()), inside.getFirst()));
    }
    throw new Unreadable(begin, Phrase.of("rule-text.joint"));
  }

  /** Whether tokens are these words; a digit stands for any number. */
  private static boolean says(List<Token> tokens, String... words) {
    if (tokens.size() != words.length) return false;
    for (int i = 0; i < words.length; i++) {
      Token token = tokens.get(i);
      boolean same =
          Character.isDigit(words[i].charAt(0))
              ? token.kind() == Token.Kind.NUMBER
              : token.says(words[i]);
      if (!same) return false;
    }
    return true;
  }

  private static int whole(Token number) {
    long n = large(number);
    if (n > Integer.MAX_VALUE) throw tooMuch(number);
    return (int) n;
  }

  private static long large(Token number) {
    try {
      return Long.parseLong(number.text());
    } catch (NumberFormatException e) {
      throw tooMuch(number);
    }
  }

  private static Unreadable tooMuch(Token number) {
    return new Unreadable(number.at(), Phrase.of("rule-text.whole-number", "text", number.text()));
  }

  private static <T> T made(int at, Supplier<T> making) {
    try {
      return making.get();
    } catch (Refusal refused) {
      throw new Unreadable(at, refused.reason());
    }
  }

  /** The first form that fits; where none does, what was wrong with the one that went furthest. */
  private Leaf leaf(List<Token> own) {
    Unreadable best = new Unreadable(-1, Phrase.NONE);
    Set<String> forms = new LinkedHashSet<>();
    Optional<Matching> fitting = Optional.empty();
    for (Form form : Forms.ALL) {
      var matching = new Matching(form, own);
      try {
        matching.match();
        fitting = Optional.of(matching);
        break;
      } catch (Unreadable e) {
        if (e.at() > best.at()) forms.clear();
        if (e.at() >= best.at() && e.expects()) forms.add(form.toString());
        if (e.at() > best.at()) best = e;
      }
    }
    if (fitting.isPresent()) return made(own.getFirst().at(), fitting.get()::built);
    if (best.at() > own.getFirst().at())
      throw best.expects() ? new Unreadable(best.at(), expected(forms)) : best;
    String text = own.stream().map(Token::text).collect(Collectors.joining(" "));
    throw new Unreadable(own.getFirst().at(), Phrase.of("rule-text.no-condition", "text", text));
  }

  private static Phrase expected(Set<String> forms) {
    String some = forms.stream().limit(MOST_FORMS).collect(Collectors.joining(" · "));
    return Phrase.of(Unreadable.EXPECTED, "form", some);
  }

  /** One try to read a question by one form. */
  private final class Matching {
    private final Form form;
    private final List<Token> own;
    private final Map<String, Object> values = new HashMap<>();
    private int i;

    Matching(Form form, List<Token> own) {
      this.form = form;
      this.own = own;
    }

    void match() {
      for (String piece : form.pieces()) {
        if (Form.isSlot(piece)) values.put(Form.slot(piece), slot(Form.slot(piece)));
        else {
          Token token = token();
          boolean same = piece.equals("%") ? token.is("%") : token.says(piece);
          if (!same) throw not(token.at());
        }
      }
      if (i < own.size()) throw not(own.get(i).at());
    }

    private Token token() {
      if (i >= own.size()) throw not(own.getLast().at() + 1);
      return own.get(i++);
    }

    private Unreadable not(int at) {
      return new Unreadable(at, expected(Set.of(form.toString())));
    }

    private Object slot(String name) {
      Class<?> type = type(name);
      if (Id.class.isAssignableFrom(type)) return name(name);
      if (name.equals("level")) return level();
      if (type == int.class) return whole(number());
      if (type == double.class)
        return new BigDecimal(number().text()).movePointLeft(2).doubleValue();
      if (type == Instant.class) return moment();
      if (type.isEnum()) return word(type);
      return people();
    }

    private Class<?> type(String name) {
      RecordComponent part = Slots.part(form.leaf(), name);
      if (part.getType() != Optional.class) return part.getType();
      var inside = (ParameterizedType) part.getGenericType();
      return (Class<?>) inside.getActualTypeArguments()[0];
    }

    private Token number() {
      Token token = token();
      if (token.kind() != Token.Kind.NUMBER) throw not(token.at());
      return token;
    }

    private Id name(String sort) {
      Token token = token();
      if (sort.equals("step") && token.says("this") && i < own.size() && own.get(i).says("step")) {
        i++;
        return named
            .thisStep()
            .orElseThrow(() -> new Unreadable(token.at(), Phrase.of("rule-text.no-this-step")));
      }
      if (token.is("#")) return numbered(sort, token, Optional.empty());
      if (token.kind() != Token.Kind.NAME) throw not(token.at());
      if (i < own.size() && own.get(i).is("#"))
        return numbered(sort, own.get(i++), Optional.of(token.text()));
      List<Named.Thing> called =
          named.all(sort).stream().filter(t -> Slots.isCalled(t, token.text())).toList();
      if (called.size() == 1) return called.getFirst().id();
      if (called.isEmpty())
        throw new Unreadable(
            token.at() + 1, Phrase.of("rule-text.unknown." + sort, "name", token.text()));
      throw new Unreadable(
          token.at() + 1,
          Phrase.of(
              "rule-text.several",
              "name",
              token.text(),
              "numbers",
              called.stream().map(t -> "#" + t.id()).collect(Collectors.joining(", "))));
    }

    private Id numbered(String sort, Token sign, Optional<String> name) {
      String number = number().text();
      return named.all(sort).stream()
          .filter(t -> t.id().toString().equals(number))
          .findFirst()
          .map(Named.Thing::id)
          .orElseThrow(() ->
              new Unreadable(
                  sign.at() + 1,
                  Phrase.of("rule-text.unknown." + sort, "name", name.orElse("#" + number))));
    }

    private Object level() {
      Token token = token();
      if (token.kind() != Token.Kind.NAME) throw not(token.at());
      Id outcome = (Id) requireNonNull(values.get("outcome"));
      return named
          .key(outcome, token.text())
          .orElseThrow(() ->
              new Unreadable(
                  token.at() + 1,
                  Phrase.of(
                      "rule-text.level",
                      "name",
                      token.text(),
                      "levels",
                      String.join(", ", named.levels(outcome)))));
    }

    private Object moment() {
      Token token = token();
      if (token.kind() != Token.Kind.MOMENT) throw not(token.at());
      String iso = token.text().replace(' ', 'T');
      try {
        boolean offset = iso.endsWith("Z") || iso.matches(".*[+-]\\d{2}:\\d{2}");
        return offset
            ? OffsetDateTime.parse(iso).toInstant()
            : LocalDateTime.parse(iso).atZone(zone).toInstant();
      } catch (DateTimeException e) {
        throw new Unreadable(
            token.at() + 1, Phrase.of("rule-text.no-moment", "text", token.text()));
      }
    }

    private Object word(Class<?> type) {
      Token token = token();
      return Arrays.stream(type.getEnumConstants())
          .filter(c -> token.says(((Enum<?>) c).name().toLowerCase(Locale.ROOT)))
          .findFirst()
          .orElseThrow(() -> not(token.at()));
    }

    private Set<PersonId> people() {
      Set<PersonId> people = new HashSet<>();
      while (true) {
        Token sign = token();
        if (!sign.is("#")) throw not(sign.at());
        Token number = number();
        people.add(made(number.at(), () -> new PersonId(large(number))));
        if (i >= own.size() || !own.get(i).is(",")) return people;
        i++;
      }
    }

    private Leaf built() {
      RecordComponent[] all = form.leaf().getRecordComponents();
      Object[] with = new Object[all.length];
      for (int n = 0; n < all.length; n++) {
        Object value = values.get(all[n].getName());
        with[n] = all[n].getType() == Optional.class ? Optional.ofNullable(value) : value;
      }
      try {
        Class<?>[] types =
            Arrays.stream(all).map(RecordComponent::getType).toArray(Class<?>[]::new);
        return form.leaf().getDeclaredConstructor(types).newInstance(with);
      } catch (InvocationTargetException e) {
        if (e.getCause() instanceof Refusal refused) throw refused;
        throw new IllegalStateException("a question that cannot be asked", e);
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException("a question that cannot be made", e);
      }
    }
  }
}
