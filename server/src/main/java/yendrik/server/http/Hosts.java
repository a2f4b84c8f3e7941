package yendrik.server.http;

import java.net.URI;
import java.util.List;
import java.util.regex.Pattern;

/** Hosts that whoever runs this named, each with its scheme: {@code https://films.example}. */
public record Hosts(List<String> all) {
  private static final Pattern HOST = Pattern.compile("https?://[a-z0-9.-]+(:[0-9]{1,5})?");

  /**
   * @param property where they are named
   * @throws IllegalArgumentException if one of them is no host, so that it is known at the start
   */
  public static Hosts of(String property, List<String> named) {
    List<String> hosts = named.stream().map(String::strip).filter(h -> !h.isEmpty()).toList();
    for (String host : hosts)
      if (!HOST.matcher(host).matches())
        throw new IllegalArgumentException(property + ": “" + host + "” is no host");
    return new Hosts(hosts);
  }

  /** Whether an address is of one of them. */
  public boolean has(URI address) {
    return all.contains(address.getScheme() + "://" + address.getRawAuthority());
  }
}
