package yendrik.server.design;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseModule;
import yendrik.core.words.Phrase;
import yendrik.formats.json.CoreJson;

/**
 * Marks a draft as somebody has seen it: each of its parts by a hash of all that it holds, so that
 * one can say later which of them have changed. Publishing takes the mark of what was looked at.
 *
 * @param parts hash by part, "step 12"
 */
public record DraftMark(Map<String, String> parts) {
  private static final String BETWEEN = ";";
  private static final Pattern PART =
      Pattern.compile("course|order|strict|completion|flags|(outcome|module|step|badge) \\d+");

  static DraftMark of(Document document) {
    return new DraftMark(hashes(document));
  }

  private static Map<String, String> hashes(Document document) {
    Map<String, String> parts = new LinkedHashMap<>();
    CourseDesign design = document.design();
    parts.put("course", hash(design.name(), design.zone(), design.startsAt(), design.groups()));
    String order =
        design.modules().stream().map(m -> m.id().toString()).collect(Collectors.joining(" "));
    parts.put("order", hash(order));
    parts.put("strict", hash(design.order()));
    parts.put("completion", hash(design.completeWhen()));
    parts.put("flags", hash(design.flags()));
    design.outcomes().forEach(o -> parts.put("outcome " + o.id(), hash(o)));
    for (CourseModule m : design.modules()) {
      List<Object> own = new ArrayList<>();
      own.add(m.name() + m.published() + m.strictOrder() + m.gate());
      own.add(m.opensWhen());
      own.add(m.doneWhen());
      own.add(m.steps().stream().map(s -> s.id().toString()).collect(Collectors.joining(" ")));
      parts.put("module " + m.id(), hash(own));
      m.steps()
          .forEach(s ->
              parts.put(
                  "step " + s.id(),
                  hash(
                      s,
                      document.content(s.id()),
                      document.minutes().getOrDefault(s.id(), 0),
                      document.rubrics(s.id()),
                      document.words(s.id()).texts())));
    }
    design.badges().forEach(b -> parts.put("badge " + b.id(), hash(b, document.face(b.id()))));
    return parts;
  }

  /** The same on every machine: names of objects and members of sets have no order. */
  private static String hash(Object... all) {
    StringBuilder text = new StringBuilder();
    for (Object one : all)
      text.append(sorted(CoreJson.mapper().valueToTree(Objects.requireNonNullElse(one, ""))));
    return Integer.toHexString(text.toString().hashCode());
  }

  private static String sorted(JsonNode node) {
    if (node.isObject())
      return node.properties().stream()
          .map(p -> p.getKey() + ":" + sorted(p.getValue()))
          .sorted()
          .collect(Collectors.joining(",", "{", "}"));
    if (node.isArray()) {
      Stream<String> parts = node.valueStream().map(DraftMark::sorted);
      boolean ids = node.valueStream().allMatch(JsonNode::isIntegralNumber);
      return (ids ? parts.sorted() : parts).collect(Collectors.joining(",", "[", "]"));
    }
    return node.toString();
  }

  /** The mark as it is sent. */
  public String text() {
    StringBuilder text = new StringBuilder();
    parts.forEach((part, hash) ->
        text.append(part.replace(' ', '-')).append(':').append(hash).append(BETWEEN));
    return text.toString();
  }

  /** Reads what {@link #text} wrote; anything else is a mark that no draft has. */
  public static DraftMark read(String text) {
    Map<String, String> parts = new LinkedHashMap<>();
    for (String part : text.split(BETWEEN)) {
      int colon = part.lastIndexOf(':');
      String name = part.substring(0, Math.max(0, colon)).replace('-', ' ');
      if (PART.matcher(name).matches()) parts.put(name, part.substring(colon + 1));
    }
    return new DraftMark(parts);
  }

  /**
   * What differs between this mark and a draft, by name; what is in the draft no more is named by
   * its kind.
   */
  List<Phrase> changedIn(Document now) {
    return changedIn(now, Map.of());
  }

  /** The same where it is known what the marked draft was, so that what is gone has a name. */
  static List<Phrase> changed(Document then, Document now) {
    return of(then).changedIn(now, names(then));
  }

  private List<Phrase> changedIn(Document now, Map<String, Phrase> before) {
    Map<String, String> present = hashes(now);
    Map<String, Phrase> names = names(now);
    List<Phrase> changed = new ArrayList<>();
    present.forEach((part, hash) -> {
      if (!hash.equals(parts.get(part))) changed.add(names.getOrDefault(part, Phrase.text(part)));
    });
    parts.keySet().stream()
        .filter(part -> !present.containsKey(part))
        .forEach(part -> changed.add(gone(part, before)));
    return changed.stream().distinct().toList();
  }

  private static Phrase gone(String part, Map<String, Phrase> before) {
    return before.containsKey(part)
        ? Phrase.of("draft.taken-away", "name", before.get(part))
        : Phrase.of("draft.gone." + part.split(" ")[0]);
  }

  private static Map<String, Phrase> names(Document document) {
    Map<String, Phrase> names = new LinkedHashMap<>();
    CourseDesign design = document.design();
    for (String part : List.of("course", "order", "strict", "completion", "flags"))
      names.put(part, Phrase.of("draft." + part));
    design.outcomes().forEach(o -> names.put("outcome " + o.id(), Phrase.text(o.code())));
    design.modules().forEach(m -> names.put("module " + m.id(), Phrase.quoted(m.name())));
    design.steps().forEach(s -> names.put("step " + s.id(), Phrase.quoted(s.name())));
    design
        .badges()
        .forEach(b -> names.put("badge " + b.id(), Phrase.of("draft.badge", "badge", b.name())));
    return names;
  }
}
