package yendrik.server.http;

import java.net.URI;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** From where films elsewhere may come: the browser loads none from anywhere else. */
@Component
public class FilmHosts {
  private final Hosts hosts;

  /**
   * @throws IllegalArgumentException if one of them is no host, so that it is known at the start
   */
  public FilmHosts(@Value("${yendrik.film-hosts}") List<String> hosts) {
    this.hosts = Hosts.of("yendrik.film-hosts", hosts);
  }

  public List<String> hosts() {
    return hosts.all();
  }

  /** Whether a film may come from there. */
  public boolean has(URI address) {
    return hosts.has(address);
  }
}
