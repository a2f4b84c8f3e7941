package yendrik.server.kinds.quiz.question;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.JSON;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.TokenStreamFactory;
import tools.jackson.core.json.JsonFactory;

/** What is kept of attempts, read as fast as can be: many thousands are read for figures. */
public final class KeptLines {
  /** Names are not looked up: there are as many as questions, and none is kept. */
  private static final JsonFactory FACTORY =
      JsonFactory.builder().disable(TokenStreamFactory.Feature.CANONICALIZE_PROPERTY_NAMES).build();

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
    try (JsonParser json = FACTORY.createParser(ObjectReadContext.empty(), result.data())) {
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

  private static Line line(JsonParser json) {
    String question = "";
    double points = 0;
    boolean marked = true;
    while (json.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = json.currentName();
      json.nextToken();
      switch (name) {
        case "question" -> question = json.getString();
        case "points" -> points = json.getDoubleValue();
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

  /** Answers by question, each as it stands there: the same answers read the same. */
  public static Map<String, String> answers(JSON kept) {
    Map<String, String> answers = new HashMap<>();
    String text = kept.data();
    try (JsonParser json = FACTORY.createParser(ObjectReadContext.empty(), text)) {
      json.nextToken();
      while (json.nextToken() == JsonToken.PROPERTY_NAME) {
        String question = json.currentName();
        json.nextToken();
        int from = (int) json.currentTokenLocation().getCharOffset();
        json.skipChildren();
        // the end of words is only known once they are read
        if (json.currentToken() == JsonToken.VALUE_STRING) json.getString();
        answers.put(question, text.substring(from, (int) json.currentLocation().getCharOffset()));
      }
    }
    return answers;
  }
}
