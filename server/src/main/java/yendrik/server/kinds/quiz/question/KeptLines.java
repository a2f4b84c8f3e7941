package yendrik.server.kinds.quiz.question;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.JSON;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;

/** What is kept of attempts, read as fast as can be: many thousands are read for figures. */
public final class KeptLines {
  private static final JsonFactory FACTORY = JsonFactory.builder().build();

  private KeptLines() {}

  /**
   * One question of a result.
   *
   * @param marked whether it is, and does not wait for staff
   */
  public record Line(String question, boolean marked, double points) {}

  /** The questions of a result; those of before there were marks were always marked. */
  public static List<Line> of(JSON result) {
    List<Line> lines = new ArrayList<>();
    try (JsonParser json = FACTORY.createParser(ObjectReadContext.empty(), bytes(result))) {
      json.nextToken();
      while (json.nextToken() == JsonToken.PROPERTY_NAME) {
        boolean answers = json.currentName().equals("answers");
        json.nextToken();
        if (answers) while (json.nextToken() == JsonToken.START_OBJECT) lines.add(line(json));
        else json.skipChildren();
      }
    }
    return lines;
  }

  private static byte[] bytes(JSON kept) {
    return kept.data().getBytes(StandardCharsets.UTF_8);
  }

  private static Line line(JsonParser json) {
    String question = "";
    double points = 0;
    boolean marked = false;
    while (json.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = json.currentName();
      json.nextToken();
      switch (name) {
        case "question" -> question = json.getString();
        case "points" -> points = json.getDoubleValue();
        case "share", "right" -> marked = true;
        case "mark" -> marked = marked(json);
        default -> json.skipChildren();
      }
    }
    return new Line(question, marked, points);
  }

  private static boolean marked(JsonParser json) {
    boolean marked = false;
    while (json.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = json.currentName();
      json.nextToken();
      if (name.equals("is")) marked = json.getString().equals("marked");
      else json.skipChildren();
    }
    return marked;
  }

  /** How many seconds each question took. */
  public static Map<String, Long> seconds(JSON spent) {
    Map<String, Long> seconds = new HashMap<>();
    try (JsonParser json = FACTORY.createParser(ObjectReadContext.empty(), bytes(spent))) {
      json.nextToken();
      while (json.nextToken() == JsonToken.PROPERTY_NAME) {
        boolean each = json.currentName().equals("seconds");
        json.nextToken();
        if (!each) continue;
        while (json.nextToken() == JsonToken.PROPERTY_NAME) {
          String question = json.currentName();
          json.nextToken();
          seconds.put(question, json.getLongValue());
        }
      }
    }
    return seconds;
  }

  /** Answers by question, each as it stands there: the same answers read the same. */
  public static Map<String, String> answers(JSON kept) {
    Map<String, String> answers = new HashMap<>();
    byte[] text = bytes(kept);
    try (JsonParser json = FACTORY.createParser(ObjectReadContext.empty(), text)) {
      json.nextToken();
      while (json.nextToken() == JsonToken.PROPERTY_NAME) {
        String question = json.currentName();
        json.nextToken();
        int from = (int) json.currentTokenLocation().getByteOffset();
        json.skipChildren();
        // the end of words is only known once they are read
        if (json.currentToken() == JsonToken.VALUE_STRING) json.getString();
        int to = (int) json.currentLocation().getByteOffset();
        answers.put(question, new String(text, from, to - from, StandardCharsets.UTF_8));
      }
    }
    return answers;
  }
}
