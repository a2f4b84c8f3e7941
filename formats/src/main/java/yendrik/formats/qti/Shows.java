package yendrik.formats.qti;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.w3c.dom.Node;
import org.w3c.dom.Text;
import yendrik.core.quiz.Shown;

/** Words of a package as they are shown here, and the pictures that stand in them. */
final class Shows {
  private static final Set<String> LOOKS =
      Set.of(
          "p",
          "h2",
          "h3",
          "h4",
          "ul",
          "ol",
          "li",
          "strong",
          "em",
          "u",
          "s",
          "code",
          "pre",
          "blockquote",
          "br",
          "hr",
          "sub",
          "sup",
          "table",
          "thead",
          "tbody",
          "tr",
          "th",
          "td");
  private static final Map<String, String> SAME =
      Map.of("b", "strong", "i", "em", "h1", "h2", "h5", "h4", "h6", "h4", "del", "s");
  private static final Set<String> EMPTY = Set.of("br", "hr");
  private static final Set<String> BLOCKS = Set.of("p", "li", "tr", "pre", "h2", "h3", "h4");

  private final Pack pack;
  private final String folder;
  private final List<QtiFile> files;
  private final Map<String, Long> numbers = new HashMap<>();
  private boolean lost;

  /**
   * @param folder of the question in its package, with a slash behind it, or empty
   * @param files to which its pictures are added
   */
  Shows(Pack pack, String folder, List<QtiFile> files) {
    this.pack = pack;
    this.folder = folder;
    this.files = files;
  }

  /** Whether something that words cannot be said of was left out: a sound, a formula, a picture. */
  boolean lost() {
    return lost;
  }

  /** What stands in some elements, without those that are to be left out. */
  Shown of(List<Tag> tags, Predicate<Tag> without) {
    StringBuilder html = new StringBuilder();
    for (Tag tag : tags) write(tag.element(), html, without);
    return shown(html.toString().strip());
  }

  /** What stands in an element, without some that are in it. */
  Shown in(Tag tag, Predicate<Tag> without) {
    StringBuilder html = new StringBuilder();
    inside(tag.element(), html, without);
    return shown(html.toString().strip());
  }

  private static Shown shown(String formatted) {
    boolean looks =
        !formatted.replaceAll("</?p>|<br>", "").equals(formatted.replaceAll("<[^>]*>", ""));
    return new Shown(plain(formatted), looks ? Optional.of(formatted) : Optional.empty());
  }

  /** The words of formatted text, a line for each of its blocks; pictures by their own words. */
  static String plain(String html) {
    Element body = Jsoup.parseBodyFragment(html).body();
    body.select("img[alt]").forEach(img -> img.replaceWith(text("[" + img.attr("alt") + "]")));
    body.select("[data-formula]").forEach(f -> f.text(f.attr("data-formula")));
    body.select("p, li, tr, pre, h2, h3, h4, br, blockquote, div").forEach(b -> b.after("\n"));
    List<String> lines = new ArrayList<>();
    for (String line : body.wholeText().split("\n", -1)) {
      String said = line.replaceAll("[\\p{Z}\\s]+", " ").strip();
      if (!said.isEmpty()) lines.add(said);
    }
    return String.join("\n", lines);
  }

  private static org.jsoup.nodes.TextNode text(String words) {
    return new org.jsoup.nodes.TextNode(words);
  }

  private void inside(Node node, StringBuilder html, Predicate<Tag> without) {
    Tag.nodes(node.getChildNodes()).forEach(child -> write(child, html, without));
  }

  private void write(Node node, StringBuilder html, Predicate<Tag> without) {
    if (node instanceof Text words)
      html.append(escaped(words.getData().replaceAll("[\\p{Z}\\s]+", " ")));
    Tag.tag(node).filter(tag -> !without.test(tag)).forEach(tag -> write(tag, html, without));
  }

  private void write(Tag tag, StringBuilder html, Predicate<Tag> without) {
    String name = SAME.getOrDefault(tag.name(), tag.name());
    if (name.equals("img") || name.equals("object")) picture(tag, html);
    else if (tag.attr("data-formula").isPresent())
      html.append("<span data-formula=\"")
          .append(escaped(tag.attr("data-formula").orElseThrow()))
          .append("\"></span>");
    else if (Set.of("math", "audio", "video").contains(name)) {
      lost = true;
      html.append(escaped(tag.attr("alttext").orElse(name.equals("math") ? tag.text() : "")));
    } else if (name.equals("a") && tag.attr("href").filter(this::leadsOut).isPresent()) {
      html.append("<a href=\"").append(escaped(tag.attr("href").orElseThrow())).append("\">");
      inside(tag.element(), html, without);
      html.append("</a>");
    } else if (EMPTY.contains(name)) html.append('<').append(name).append('>');
    else if (LOOKS.contains(name)) {
      html.append('<').append(name).append('>');
      inside(tag.element(), html, without);
      html.append("</").append(name).append('>');
    } else {
      boolean block = name.equals("div") && tag.children().stream().noneMatch(this::isBlock);
      html.append(block ? "<p>" : "");
      inside(tag.element(), html, without);
      html.append(block ? "</p>" : "");
    }
  }

  private boolean isBlock(Tag tag) {
    return BLOCKS.contains(tag.name()) || tag.is("div") || tag.is("table") || tag.is("ul");
  }

  private boolean leadsOut(String href) {
    return href.startsWith("https://") || href.startsWith("http://");
  }

  private void picture(Tag tag, StringBuilder html) {
    Optional<Long> number = number(tag);
    String words = described(tag);
    if (number.isEmpty()) {
      lost = true;
      html.append(escaped(words));
      return;
    }
    html.append("<img data-file=\"")
        .append(number.get())
        .append("\" alt=\"")
        .append(escaped(words))
        .append("\">");
  }

  /** What a picture shows, as far as that is said. */
  static String described(Tag picture) {
    return picture.attr("alt").or(() -> picture.attr("label")).orElse(picture.text()).strip();
  }

  /** What a picture with a number is. */
  byte[] file(long number) {
    return files.get((int) number - 1).content();
  }

  /** The number of a picture among the files; none when the package does not have it. */
  Optional<Long> number(Tag picture) {
    return picture
        .attr("src")
        .or(() -> picture.attr("data"))
        .flatMap(source -> path(folder + source))
        .flatMap(path ->
            Optional.ofNullable(numbers.get(path))
                .or(() -> pack.file(path).map(content -> added(path, content))));
  }

  private long added(String path, byte[] content) {
    files.add(new QtiFile(path.substring(path.lastIndexOf('/') + 1), content));
    numbers.put(path, (long) files.size());
    return files.size();
  }

  /** A path in the package with its steps up gone; none when it leads out of it. */
  private static Optional<String> path(String written) {
    List<String> steps = new ArrayList<>();
    for (String step : written.replace("%20", " ").split("/", -1)) {
      if (step.equals("..")) {
        if (steps.isEmpty()) return Optional.empty();
        steps.removeLast();
      } else if (!step.equals(".") && !step.isEmpty()) steps.add(step);
    }
    return Optional.of(String.join("/", steps));
  }

  static String escaped(String words) {
    return words
        .replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\"", "&quot;");
  }
}
