package yendrik.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Takes no more of a body than 1 MB, whoever sends it and whether they say how long it is. Files
 * and pieces of files are sent as {@code application/octet-stream} to addresses that have limits of
 * their own and read no more than that.
 */
@Component
@Order(BodyLimit.AFTER_FAILURES)
class BodyLimit extends OncePerRequestFilter {
  static final int AFTER_FAILURES = Ordered.HIGHEST_PRECEDENCE + 1;
  private static final String PIECE_OF_FILE = "application/offset+octet-stream";
  static final long MOST = DataSize.ofMegabytes(1).toBytes();
  private final Refusals refusals;

  BodyLimit(Refusals refusals) {
    this.refusals = refusals;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null
        && (type.startsWith(MediaType.APPLICATION_OCTET_STREAM_VALUE)
            || type.startsWith(PIECE_OF_FILE));
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (request.getContentLengthLong() > MOST) {
      refusals.write(response, tooLarge());
      return;
    }
    chain.doFilter(
        new HttpServletRequestWrapper(request) {
          private @Nullable ServletInputStream limited;

          @Override
          public ServletInputStream getInputStream() throws IOException {
            if (limited == null) limited = new Limited(super.getInputStream());
            return limited;
          }
        },
        response);
  }

  private static Problem tooLarge() {
    return Problem.ofStatus(HttpStatus.CONTENT_TOO_LARGE.value());
  }

  private static final class Limited extends ServletInputStream {
    private final ServletInputStream in;
    private long read;

    Limited(ServletInputStream in) {
      this.in = in;
    }

    @Override
    public int read() throws IOException {
      int one = in.read();
      if (one >= 0) count(1);
      return one;
    }

    @Override
    public int read(byte[] into, int from, int most) throws IOException {
      int n = in.read(into, from, most);
      count(Math.max(0, n));
      return n;
    }

    private void count(int bytes) {
      read += bytes;
      if (read > MOST) throw tooLarge();
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }
  }
}
