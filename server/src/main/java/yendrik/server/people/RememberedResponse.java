package yendrik.server.people;

import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.WriteListener;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** An answer that goes out as it is written, line by line if need be, and is remembered. */
final class RememberedResponse extends HttpServletResponseWrapper {
  private final int most;
  private final ByteArrayOutputStream remembered = new ByteArrayOutputStream();
  private Optional<PrintWriter> writer = Optional.empty();
  private boolean tooLong;

  /**
   * @param most bytes that are remembered; a longer answer is not
   */
  RememberedResponse(HttpServletResponse response, int most) {
    super(response);
    this.most = most;
  }

  /** The body in UTF-8, as all of ours are; empty when it was too long. */
  Optional<String> body() {
    writer.ifPresent(PrintWriter::flush);
    return tooLong ? Optional.empty() : Optional.of(remembered.toString(StandardCharsets.UTF_8));
  }

  private void remember(byte[] bytes, int from, int count) {
    tooLong |= remembered.size() + count > most;
    if (!tooLong) remembered.write(bytes, from, count);
  }

  @Override
  public ServletOutputStream getOutputStream() throws IOException {
    ServletOutputStream out = super.getOutputStream();
    return new ServletOutputStream() {
      @Override
      public void write(int b) throws IOException {
        write(new byte[] {(byte) b}, 0, 1);
      }

      @Override
      public void write(byte[] bytes, int from, int count) throws IOException {
        remember(bytes, from, count);
        out.write(bytes, from, count);
      }

      @Override
      public void flush() throws IOException {
        out.flush();
      }

      @Override
      public boolean isReady() {
        return out.isReady();
      }

      @Override
      public void setWriteListener(WriteListener listener) {
        out.setWriteListener(listener);
      }
    };
  }

  @Override
  public PrintWriter getWriter() throws IOException {
    if (writer.isEmpty())
      writer =
          Optional.of(
              new PrintWriter(new OutputStreamWriter(getOutputStream(), StandardCharsets.UTF_8)));
    return writer.get();
  }

  @Override
  public void resetBuffer() {
    super.resetBuffer();
    forget();
  }

  @Override
  public void reset() {
    super.reset();
    forget();
  }

  private void forget() {
    writer = Optional.empty();
    remembered.reset();
    tooLong = false;
  }

  @Override
  public void flushBuffer() throws IOException {
    writer.ifPresent(PrintWriter::flush);
    super.flushBuffer();
  }
}
