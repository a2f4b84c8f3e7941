package yendrik.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import yendrik.formats.json.CoreJson;

/** Answers with one line of JSON after the other, each sent as soon as it is there. */
public final class LineWriter {
  public static final String LINES = "application/x-ndjson";
  private final HttpServletResponse response;

  public LineWriter(HttpServletResponse response) {
    this.response = response;
  }

  public void write(Object line) {
    try {
      response.setContentType(LINES);
      response.setCharacterEncoding(StandardCharsets.UTF_8);
      response.getWriter().println(CoreJson.mapper().writeValueAsString(line));
      response.flushBuffer();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The same for work that goes on though nobody reads of it any more. */
  public void tryWrite(Object line) {
    try {
      write(line);
    } catch (UncheckedIOException _) {
      // the reader is gone; what is done is done all the same
    }
  }
}
