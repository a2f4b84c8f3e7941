package yendrik.server.demo;

import static java.util.Objects.requireNonNullElse;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import tools.jackson.core.type.TypeReference;
import tools.jackson.dataformat.yaml.YAMLMapper;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;

/** What people of the demo wrote in discussions and journals, in the order in which they did. */
final class Conversations {
  private final List<Line> lines;

  private Conversations(List<Line> lines) {
    this.lines = lines;
  }

  /** What somebody wrote, and to what. */
  private record Line(String step, Text text, Optional<Text> to) {}

  /**
   * @param ago hours before today
   */
  record Text(String by, int ago, String text, List<Text> replies) {
    Text {
      replies = requireNonNullElse(replies, List.of());
    }
  }

  record Threads(String step, List<Text> threads) {}

  /** Whoever can write. */
  interface Writer {
    PostId write(String by, StepId step, Optional<PostId> to, String text);
  }

  static Conversations read() {
    try (InputStream in = Conversations.class.getResourceAsStream("/demo/discussions.yaml")) {
      List<Threads> all = YAMLMapper.shared().readValue(in, new TypeReference<>() {});
      return new Conversations(
          all.stream()
              .flatMap(s -> s.threads().stream().flatMap(t -> lines(s.step(), t)))
              .sorted(Comparator.comparing((Line l) -> -l.text().ago()))
              .toList());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Stream<Line> lines(String step, Text thread) {
    return Stream.concat(
        Stream.of(new Line(step, thread, Optional.empty())),
        thread.replies().stream().map(r -> new Line(step, r, Optional.of(thread))));
  }

  /** Has all of it written at its time. */
  void play(DemoClock clock, Instant today, Author course, Writer writer) {
    Map<Text, PostId> posts = new HashMap<>();
    for (Line line : lines) {
      clock.putTo(today.minus(Duration.ofHours(line.text().ago())));
      posts.put(
          line.text(),
          writer.write(
              line.text().by(),
              course.id(line.step()),
              line.to().map(posts::get),
              "<p>" + line.text().text() + "</p>"));
    }
  }
}
