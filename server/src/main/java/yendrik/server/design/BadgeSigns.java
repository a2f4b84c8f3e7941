package yendrik.server.design;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yendrik.formats.badge.Signs;

/** The pictograms of badges, from the file that the client has them from too. */
@Component
public class BadgeSigns implements Supplier<Signs> {
  private final Resource file;
  private final Supplier<Signs> signs;

  BadgeSigns() throws IOException {
    Resource[] found =
        new PathMatchingResourcePatternResolver()
            .getResources("classpath*:static/assets/signs-*.json");
    if (found.length == 0)
      throw new IllegalStateException("the client is not built: there are no signs");
    file = found[0];
    signs = SingletonSupplier.of(this::read);
  }

  @Override
  public Signs get() {
    return signs.get();
  }

  /** Where clients get them, with their tags. */
  String address() {
    return "/assets/" + file.getFilename();
  }

  private Signs read() {
    Map<String, Signs.Sign> all = new HashMap<>();
    try (InputStream in = file.getInputStream()) {
      for (JsonNode one : JsonMapper.shared().readTree(in))
        all.put(
            one.path("name").asString(),
            new Signs.Sign(path(one, "fill"), path(one, "bold"), path(one, "line")));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return new Signs(all);
  }

  private static Optional<String> path(JsonNode sign, String weight) {
    return sign.path(weight).asStringOpt();
  }
}
