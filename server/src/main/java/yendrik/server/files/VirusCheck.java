package yendrik.server.files;

import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import yendrik.server.http.Problem;

/**
 * Asks a checker whether a content is harmful, where the institution has one: a daemon that takes a
 * stream of chunks, each after its length in four bytes, and answers in a line that ends in {@code
 * OK} or {@code FOUND}.
 */
@Component
class VirusCheck {
  private static final Logger LOG = LoggerFactory.getLogger(VirusCheck.class);
  private static final byte[] STREAM = "zINSTREAM\0".getBytes(StandardCharsets.US_ASCII);
  private static final Duration PATIENCE = Duration.ofSeconds(60);
  private static final int LONGEST_ANSWER = 1000;
  private static final int CHUNK = 1 << 16;
  private final Optional<InetSocketAddress> checker;

  /**
   * @param checker host and port, nothing where contents are not checked
   */
  VirusCheck(@Value("${yendrik.checker}") String checker) {
    this.checker = Optional.of(checker).filter(c -> !c.isBlank()).map(VirusCheck::address);
  }

  private static InetSocketAddress address(String checker) {
    int colon = checker.lastIndexOf(':');
    if (colon < 1)
      throw new IllegalArgumentException(
          "yendrik.checker must be a host and a port, such as 127.0.0.1:3310, not " + checker);
    return InetSocketAddress.createUnresolved(
        checker.substring(0, colon), Integer.parseInt(checker.substring(colon + 1)));
  }

  /**
   * @throws Problem if it is harmful, or if the checker cannot be asked now: what was not looked at
   *     is not taken
   */
  void check(String name, InputStream content) {
    if (checker.isEmpty()) return;
    String answer;
    try {
      answer = ask(checker.get(), content);
    } catch (IOException e) {
      LOG.warn("the checker of files at {} does not answer: {}", checker.get(), e.toString());
      throw Problem.later("not-checked-now");
    }
    if (answer.endsWith("FOUND")) {
      LOG.warn("a file was refused by the checker: {}", answer);
      throw Problem.field("file", "file-harmful", "name", name);
    }
    if (!answer.endsWith("OK")) {
      LOG.warn("the checker of files answers {}", answer);
      throw Problem.later("not-checked-now");
    }
  }

  private static String ask(InetSocketAddress checker, InputStream content) throws IOException {
    try (var socket = new Socket()) {
      socket.connect(
          new InetSocketAddress(checker.getHostString(), checker.getPort()),
          (int) Duration.ofSeconds(5).toMillis());
      socket.setSoTimeout((int) PATIENCE.toMillis());
      var out = new DataOutputStream(socket.getOutputStream());
      out.write(STREAM);
      byte[] chunk = new byte[CHUNK];
      for (int n = content.read(chunk); n >= 0; n = content.read(chunk)) {
        if (n == 0) continue;
        out.writeInt(n);
        out.write(chunk, 0, n);
      }
      out.writeInt(0);
      out.flush();
      byte[] answer = socket.getInputStream().readNBytes(LONGEST_ANSWER);
      return new String(answer, StandardCharsets.UTF_8).replace("\0", "").strip();
    }
  }
}
