package yendrik.server.credential;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.time.Duration;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.client.ClientHttpResponse;
import org.springframework.stereotype.Component;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import yendrik.formats.credential.Checking;
import yendrik.formats.credential.Place;
import yendrik.server.http.Hosts;
import yendrik.server.http.Outside;

/**
 * What stands at addresses that badges name. Only hosts that whoever runs this listed are asked,
 * and none of them sends anybody on to another.
 */
@Component
class Places {
  private static final Duration PATIENCE = Duration.ofSeconds(5);
  private static final String WANTED =
      "application/vc+jwt, application/vc, application/ld+json, application/json, image/png,"
          + " image/svg+xml";

  private final Hosts hosts;
  private final RestClient http;

  Places(@Value("${yendrik.badge-hosts}") List<String> hosts) {
    this.hosts = Hosts.of("yendrik.badge-hosts", hosts);
    http = Outside.client(PATIENCE);
  }

  Place at(String address) {
    URI uri = URI.create(address);
    if (!hosts.has(uri)) return new Place.NotAsked();
    try {
      return http.get().uri(uri).header("Accept", WANTED).exchange((_, answer) -> place(answer));
    } catch (RestClientException _) {
      return new Place.Away();
    }
  }

  private static Place place(ClientHttpResponse answer) throws IOException {
    HttpStatusCode status = answer.getStatusCode();
    if (status.value() == HttpStatus.GONE.value()) return new Place.Gone();
    if (!status.is2xxSuccessful()) return new Place.Away();
    try (InputStream in = answer.getBody()) {
      byte[] content = in.readNBytes(Checking.MOST + 1);
      return content.length > Checking.MOST ? new Place.Away() : new Place.There(content);
    }
  }
}
