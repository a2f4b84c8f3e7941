package yendrik.server.files;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpRange;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import yendrik.server.http.Problem;

/** Sends kept files, whole or in the ranges that are asked for. */
@Component
public class Sending {
  private static final int MOST_RANGES = 10;
  private final Files files;

  Sending(Files files) {
    this.files = files;
  }

  /**
   * The answer that carries a file, which its reader may keep and asks about again.
   *
   * @throws Problem if a range is asked for that is not there; nothing of the file is sent then
   */
  public ResponseEntity<Resource> of(
      Files.Kept file, HttpServletRequest request, HttpServletResponse response) {
    String ranges = request.getHeader(HttpHeaders.RANGE);
    if (ranges != null) check(ranges, file.bytes());
    response.setHeader(HttpHeaders.CACHE_CONTROL, "no-cache, private");
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(file.mediaType()))
        .header(HttpHeaders.CONTENT_DISPOSITION, disposition(file))
        .body(files.content(file));
  }

  /** Only what a browser can do nothing with but show it is shown; all else is saved. */
  private static String disposition(Files.Kept file) {
    boolean shown =
        FileUse.FILM.fits(file.mediaType())
            || FileUse.SOUND.fits(file.mediaType())
            || FileUse.PICTURE.fits(file.mediaType())
            || file.mediaType().equals("application/pdf");
    return (shown ? ContentDisposition.inline() : ContentDisposition.attachment())
        .filename(file.name(), StandardCharsets.UTF_8)
        .build()
        .toString();
  }

  private static void check(String asked, long bytes) {
    try {
      var ranges = HttpRange.parseRanges(asked);
      boolean there =
          !ranges.isEmpty()
              && ranges.size() <= MOST_RANGES
              && ranges.stream().allMatch(r -> r.getRangeStart(bytes) < bytes);
      if (!there) throw Problem.noSuchRange();
    } catch (IllegalArgumentException e) {
      throw Problem.noSuchRange();
    }
  }
}
