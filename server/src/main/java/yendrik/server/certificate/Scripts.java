package yendrik.server.certificate;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.function.Supplier;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import yendrik.formats.certificate.Letters;

/** Fonts for names in any script, as they ship. */
@Component
public class Scripts {
  private final Letters letters;

  Scripts() throws IOException {
    Resource[] found =
        new PathMatchingResourcePatternResolver().getResources("classpath*:letters/**/*.ttf");
    if (found.length == 0)
      throw new IllegalStateException("the client is not built: there are no fonts");
    letters =
        new Letters(
            Arrays.stream(found)
                // the largest is asked last
                .sorted(Comparator.comparingLong(Scripts::length))
                .map(Scripts::file)
                .toList());
  }

  private static long length(Resource file) {
    try {
      return file.contentLength();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Supplier<InputStream> file(Resource font) {
    return () -> {
      try {
        return font.getInputStream();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    };
  }

  /** Whether there is a font for each letter of a text. */
  public boolean has(String text) {
    return letters.has(text);
  }

  Letters letters() {
    return letters;
  }
}
