package yendrik.server.http;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.Locale;
import java.util.Set;

/** Addresses of pages elsewhere. */
public final class WebAddress {
  private static final Set<String> SCHEMES = Set.of("http", "https");

  private WebAddress() {}

  /**
   * The address as it is kept; one without a scheme is taken for https.
   *
   * @throws Problem naming the field if it is none
   */
  public static String of(String field, String typed) {
    String whole = typed.contains("://") ? typed : "https://" + typed;
    try {
      URI uri = new URI(whole);
      String scheme = uri.getScheme() == null ? "" : uri.getScheme().toLowerCase(Locale.ROOT);
      boolean leads =
          SCHEMES.contains(scheme)
              && uri.getHost() != null
              && uri.getHost().contains(".")
              && uri.getUserInfo() == null;
      if (leads) return uri.toASCIIString();
    } catch (URISyntaxException e) {
      // said below
    }
    throw Problem.field(field, "no-web-address");
  }

  /** Whose page an address leads to, empty for none. */
  public static String host(String address) {
    if (address.isEmpty()) return "";
    String host = URI.create(address).getHost();
    return host == null ? "" : host;
  }
}
