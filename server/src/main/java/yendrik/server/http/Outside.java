package yendrik.server.http;

import java.net.http.HttpClient;
import java.time.Duration;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.web.client.RestClient;

/** Asks servers elsewhere, and only those that are named: none sends it on to another. */
public final class Outside {
  private Outside() {}

  /**
   * @param patience how long it waits for a connection, and for an answer
   */
  public static RestClient client(Duration patience) {
    var factory =
        new JdkClientHttpRequestFactory(
            HttpClient.newBuilder()
                .connectTimeout(patience)
                .followRedirects(HttpClient.Redirect.NEVER)
                .build());
    factory.setReadTimeout(patience);
    return RestClient.builder().requestFactory(factory).build();
  }
}
