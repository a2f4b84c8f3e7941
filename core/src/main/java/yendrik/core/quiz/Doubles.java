package yendrik.core.quiz;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Questions that are likely the same: those whose words are nearly the same set, whatever their
 * order. How alike two sets are is the share of their common words in all of their words (Jaccard,
 * "Étude comparative de la distribution florale", 1901).
 */
public final class Doubles {
  /** From which likeness on two questions are likely the same. */
  public static final double LIKELY = 0.75;

  private static final Pattern NO_WORD = Pattern.compile("[^\\p{L}\\p{N}]+");

  private Doubles() {}

  /**
   * For each text the places of others that are likely the same, in their order.
   *
   * @param texts what is asked; those without words are like no other
   */
  public static List<List<Integer>> among(List<String> texts) {
    Map<String, Integer> numbers = new HashMap<>();
    List<int[]> words = texts.stream().map(text -> words(text, numbers)).toList();
    List<List<Integer>> doubles = new ArrayList<>();
    texts.forEach(_ -> doubles.add(new ArrayList<>()));
    for (int a = 0; a < words.size(); a++)
      for (int b = a + 1; b < words.size(); b++)
        if (likeness(words.get(a), words.get(b)) >= LIKELY) {
          doubles.get(a).add(b);
          doubles.get(b).add(a);
        }
    return doubles;
  }

  private static int[] words(String text, Map<String, Integer> numbers) {
    String plain = Normalizer.normalize(text, Normalizer.Form.NFKC).toLowerCase(Locale.ROOT);
    return Arrays.stream(NO_WORD.split(plain))
        .filter(word -> !word.isEmpty())
        .mapToInt(word -> numbers.computeIfAbsent(word, _ -> numbers.size()))
        .sorted()
        .distinct()
        .toArray();
  }

  private static double likeness(int[] a, int[] b) {
    int less = Math.min(a.length, b.length);
    int more = Math.max(a.length, b.length);
    if (less == 0 || less < LIKELY * more) return 0;
    int common = 0;
    for (int i = 0, j = 0; i < a.length && j < b.length; ) {
      if (a[i] == b[j]) common++;
      boolean first = a[i] <= b[j];
      boolean second = b[j] <= a[i];
      if (first) i++;
      if (second) j++;
    }
    return (double) common / (a.length + b.length - common);
  }
}
