package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

class MigrationsTest {
  private static final Path KEPT = Path.of("../schema/src/main/resources/db/migration");

  /** Two that are written beside each other have different versions then, whoever comes first. */
  @Test
  void every_migration_after_the_first_twelve_is_dated() throws IOException {
    List<String> names;
    try (var files = Files.list(KEPT)) {
      names = files.map(f -> f.getFileName().toString()).toList();
    }
    assertThat(names).hasSizeGreaterThan(12);
    assertThat(names).allMatch(n -> n.matches("V([1-9]|1[0-2]|20\\d{6}_\\d{4})__[a-z0-9_]+\\.sql"));
  }
}
