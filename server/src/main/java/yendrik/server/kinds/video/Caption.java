package yendrik.server.kinds.video;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import yendrik.core.Plain;
import yendrik.server.http.Problem;

/**
 * Words that stand in a film for a while.
 *
 * @param from milliseconds from its beginning
 * @param to the same of their end
 */
public record Caption(
    @Min(0) @Max(86_400_000) int from,
    @Min(1) @Max(86_400_000) int to,
    @NotBlank @Size(max = 500) String text) {
  /** How many a film may have. */
  static final int MOST = 3000;

  /**
   * Captions in order of time, their words in plain text.
   *
   * @throws Problem naming the field {@code captions} if one ends before it begins
   */
  static List<Caption> checked(List<Caption> sent) {
    for (int n = 0; n < sent.size(); n++)
      if (sent.get(n).to() <= sent.get(n).from())
        throw Problem.field("captions", "caption-ends-first", "n", n + 1);
    return sent.stream()
        .map(c -> new Caption(c.from(), c.to(), plain(c.text())))
        .sorted(Comparator.comparingInt(Caption::from).thenComparingInt(Caption::to))
        .toList();
  }

  /** Lines stay lines. */
  private static String plain(String text) {
    return text.lines()
        .map(Plain::cleaned)
        .map(String::strip)
        .filter(l -> !l.isEmpty())
        .collect(Collectors.joining("\n"));
  }
}
