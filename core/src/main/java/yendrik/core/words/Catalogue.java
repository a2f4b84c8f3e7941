package yendrik.core.words;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * All sentences of one language by their keys. A language is a folder of files; an institution's
 * own wording is laid over it. Sentences are ICU messages with named arguments (format: {@link
 * MessageFormat}, of the Unicode Consortium's ICU), files are Java properties in UTF-8.
 */
public final class Catalogue {
  private static final List<String> FILES = List.of("rules", "problems", "kinds", "moments");
  private final Locale locale;
  private final Map<String, String> messages;
  private final Map<String, MessageFormat> formats = new ConcurrentHashMap<>();
  private final Map<String, DateTimeFormatter> dates = new ConcurrentHashMap<>();

  private Catalogue(Locale locale, Map<String, String> messages) {
    this.locale = locale;
    this.messages = Map.copyOf(messages);
  }

  /** The sentences that ship with Yendrik. */
  public static Catalogue english() {
    return Shipped.ENGLISH;
  }

  private static final class Shipped {
    private static final Catalogue ENGLISH = read(Locale.ENGLISH);
  }

  private static Catalogue read(Locale locale) {
    Map<String, String> all = new HashMap<>();
    for (String file : FILES) {
      String path = "/yendrik/words/" + locale.getLanguage() + "/" + file + ".properties";
      var read = new Properties();
      try (InputStream in =
          Objects.requireNonNull(Catalogue.class.getResourceAsStream(path), path)) {
        read.load(new InputStreamReader(in, StandardCharsets.UTF_8));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      read.stringPropertyNames().forEach(key -> all.put(key, read.getProperty(key)));
    }
    return new Catalogue(locale, all);
  }

  /**
   * The same with other sentences in the place of some.
   *
   * @param own by key; those that this catalogue does not know, that are no messages, or that want
   *     to say what does not stand in the one that ships, are left out
   */
  public Catalogue with(Map<String, String> own) {
    Map<String, String> all = new HashMap<>(messages);
    own.forEach((key, message) ->
        all.computeIfPresent(key, (_, shipped) -> fits(message, shipped) ? message : shipped));
    return new Catalogue(locale, all);
  }

  private boolean fits(String message, String shipped) {
    try {
      return new MessageFormat(shipped, locale)
          .getArgumentNames()
          .containsAll(new MessageFormat(message, locale).getArgumentNames());
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  public Set<String> keys() {
    return messages.keySet();
  }

  /**
   * A message with everything in it.
   *
   * @param with text, numbers and moments only
   * @throws IllegalStateException if there is no such message, or something in it is missing
   */
  String say(String key, Map<String, Object> with) {
    MessageFormat format = formats.computeIfAbsent(key, k -> new MessageFormat(message(k), locale));
    for (String name : format.getArgumentNames())
      if (!with.containsKey(name))
        throw new IllegalStateException("“" + key + "” needs " + name + ", has " + with.keySet());
    // A format keeps state while it writes.
    return ((MessageFormat) format.clone()).format(with);
  }

  /** How dates of one kind are written. */
  DateTimeFormatter dates(String key) {
    return dates.computeIfAbsent(key, k -> DateTimeFormatter.ofPattern(message(k), locale));
  }

  private String message(String key) {
    @Nullable String message = messages.get(key);
    if (message == null) throw new IllegalStateException("no sentence is called “" + key + "”");
    return message;
  }
}
