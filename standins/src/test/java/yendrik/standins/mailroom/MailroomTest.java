package yendrik.standins.mailroom;

import static org.assertj.core.api.Assertions.assertThat;

import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;

class MailroomTest {
  @Test
  void a_letter_sent_by_smtp_can_be_read_on_the_page_with_its_markup_made_harmless()
      throws Exception {
    int port;
    try (var socket = new ServerSocket(0)) {
      port = socket.getLocalPort();
    }
    try (var mailroom = new Mailroom(port, 0)) {
      assertThat(read(mailroom)).contains("No letters yet");
      GreenMailUtil.sendTextEmail(
          "juno@hollowlane.example",
          "tomas@hollowlane.example",
          "Come on <Saturday>",
          "Hello Juno",
          new ServerSetup(port, "127.0.0.1", "smtp"));
      assertThat(mailroom.letters())
          .extracting(Letter::to)
          .containsExactly("juno@hollowlane.example");
      assertThat(read(mailroom)).contains("Come on &lt;Saturday&gt;", "Hello Juno");
    }
  }

  private static String read(Mailroom mailroom) throws Exception {
    var request = HttpRequest.newBuilder(URI.create(mailroom.address() + "/")).build();
    return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString()).body();
  }
}
