package yendrik.core.look;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import org.jspecify.annotations.Nullable;

/** The colours that ship, by scheme and name. */
final class Tones {
  private static final Map<String, Colour> SHIPPED = read();

  private Tones() {}

  private static Map<String, Colour> read() {
    var read = new Properties();
    String path = "/yendrik/look/tones.properties";
    try (InputStream in = Objects.requireNonNull(Tones.class.getResourceAsStream(path), path)) {
      read.load(new InputStreamReader(in, StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Map<String, Colour> tones = new HashMap<>();
    read.stringPropertyNames()
        .forEach(name -> tones.put(name, Colour.of(read.getProperty(name).strip())));
    return Map.copyOf(tones);
  }

  static Colour of(Scheme scheme, String name) {
    @Nullable Colour tone = SHIPPED.get(scheme.name().toLowerCase(Locale.ROOT) + "." + name);
    return Objects.requireNonNull(tone, name);
  }
}
