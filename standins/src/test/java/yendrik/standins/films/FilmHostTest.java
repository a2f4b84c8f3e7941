package yendrik.standins.films;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class FilmHostTest {
  private FilmHost host;

  @BeforeEach
  void start() throws IOException {
    host = new FilmHost(0);
  }

  @AfterEach
  void stop() {
    host.close();
  }

  private HttpResponse<byte[]> get(String path, String... headers) throws Exception {
    var request = HttpRequest.newBuilder(URI.create(host.address() + path));
    if (headers.length > 0) request.headers(headers);
    return HttpClient.newHttpClient()
        .send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
  }

  @Test
  void its_page_leads_to_films() throws Exception {
    assertThat(new String(get("/").body())).contains("/films/toe-in.webm");
    var film = get("/films/toe-in.webm");
    assertThat(film.headers().firstValue("Content-Type")).contains("video/webm");
    assertThat(film.body()).startsWith(0x1A, 0x45, 0xDF, 0xA3);
    assertThat(get("/films/other.webm").statusCode()).isEqualTo(404);
  }

  @Test
  void a_range_is_the_part_that_was_asked_for() throws Exception {
    byte[] whole = get("/films/one-click.webm").body();
    var part = get("/films/one-click.webm", "Range", "bytes=100-199");
    assertThat(part.statusCode()).isEqualTo(206);
    assertThat(part.body()).isEqualTo(java.util.Arrays.copyOfRange(whole, 100, 200));
    assertThat(part.headers().firstValue("Content-Range"))
        .contains("bytes 100-199/" + whole.length);
    assertThat(get("/films/one-click.webm", "Range", "bytes=999999999-").statusCode())
        .isEqualTo(416);
  }
}
