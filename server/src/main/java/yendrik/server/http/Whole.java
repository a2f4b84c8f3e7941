package yendrik.server.http;

import java.io.ByteArrayInputStream;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ResponseEntity;

/** Answers with what is at hand as a whole: no ranges of it are sent, whatever is asked for. */
public final class Whole {
  private Whole() {}

  /** The answer with this content. */
  public static ResponseEntity<Resource> of(ResponseEntity.BodyBuilder answer, byte[] content) {
    return answer
        .contentLength(content.length)
        .body(new InputStreamResource(new ByteArrayInputStream(content)));
  }
}
