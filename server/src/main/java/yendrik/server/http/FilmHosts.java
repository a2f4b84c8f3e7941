package yendrik.server.http;

import java.net.URI;
import java.util.List;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** From where films elsewhere may come: the browser loads none from anywhere else. */
@Component
public class FilmHosts {
  private static final Pattern HOST = Pattern.compile("https?://[a-z0-9.-]+(:[0-9]{1,5})?");
  private final List<String> hosts;

  /**
   * @throws IllegalArgumentException if one of them is no host, so that it is known at the start
   */
  public FilmHosts(@Value("${yendrik.film-hosts}") List<String> hosts) {
    this.hosts = hosts.stream().map(String::strip).filter(h -> !h.isEmpty()).toList();
    for (String host : this.hosts)
      if (!HOST.matcher(host).matches())
        throw new IllegalArgumentException("yendrik.film-hosts: “" + host + "” is no host");
  }

  public List<String> hosts() {
    return hosts;
  }

  /** Whether a film may come from there. */
  public boolean has(URI address) {
    return hosts.contains(address.getScheme() + "://" + address.getRawAuthority());
  }
}
