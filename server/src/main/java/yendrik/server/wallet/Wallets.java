package yendrik.server.wallet;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import yendrik.server.http.Problem;

/** The wallets that whoever runs the installation has listed; nothing else is ever asked. */
@Component
class Wallets {
  private final Map<String, String> addresses = new LinkedHashMap<>();

  Wallets(@Value("${yendrik.wallets:}") String listed) {
    for (String one : listed.split(",")) {
      if (one.isBlank()) continue;
      String[] parts = one.strip().split("=", 2);
      if (parts.length < 2 || !parts[1].matches("https?://[^\\s/]+(/[^\\s]*)?"))
        throw new IllegalStateException(
            "yendrik.wallets says “" + one.strip() + "”; it takes name=https://host");
      addresses.put(parts[0].strip(), parts[1].strip().replaceFirst("/+$", ""));
    }
  }

  /** The addresses by name. */
  Map<String, String> all() {
    return addresses;
  }

  /**
   * @throws Problem if there is none of that name
   */
  String address(String wallet) {
    String address = addresses.get(wallet);
    if (address == null) throw Problem.notFound("wallet");
    return address;
  }
}
