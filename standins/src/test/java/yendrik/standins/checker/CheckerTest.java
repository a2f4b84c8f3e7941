package yendrik.standins.checker;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.DataOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class CheckerTest {
  private static final String TEST_FILE =
      "X5O!P%@AP[4\\PZX54(P^)7CC)7}$EICAR-" + "STANDARD-ANTIVIRUS-TEST-FILE!$H+H*";

  private static String ask(String... chunks) throws IOException {
    try (var checker = new Checker(0);
        var socket = new Socket(InetAddress.getLoopbackAddress(), checker.port())) {
      var out = new DataOutputStream(socket.getOutputStream());
      out.write("zINSTREAM\0".getBytes(StandardCharsets.US_ASCII));
      for (String chunk : chunks) {
        out.writeInt(chunk.length());
        out.writeBytes(chunk);
      }
      out.writeInt(0);
      out.flush();
      byte[] answer = socket.getInputStream().readAllBytes();
      return new String(answer, StandardCharsets.US_ASCII).replace("\0", "");
    }
  }

  @Test
  void finds_the_standard_test_file_also_over_the_seam_of_two_chunks_and_after_a_false_start()
      throws IOException {
    assertThat(ask(TEST_FILE)).endsWith("FOUND");
    assertThat(ask("before X5O!", TEST_FILE.substring(0, 20), TEST_FILE.substring(20), "after"))
        .endsWith("FOUND");
    assertThat(ask("XX5O", "X" + TEST_FILE)).endsWith("FOUND");
  }

  @Test
  void lets_everything_else_through() throws IOException {
    assertThat(ask("A patch holds when the rubber is dull.")).endsWith("OK");
    assertThat(ask()).endsWith("OK");
    assertThat(ask(TEST_FILE.substring(1), TEST_FILE.substring(0, 60))).endsWith("OK");
  }
}
