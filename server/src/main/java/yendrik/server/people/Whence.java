package yendrik.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import yendrik.server.http.Injected;

/**
 * Where a request comes from.
 *
 * @param address of the machine, as the web server or a configured proxy saw it
 * @param browser as it calls itself
 * @param session that it belongs to, if it does to one
 */
public record Whence(String address, String browser, Optional<String> session) implements Injected {
  /** From the server itself. */
  static final Whence HERE = new Whence("here", "", Optional.empty());

  static Whence of(HttpServletRequest request) {
    return new Whence(
        request.getRemoteAddr(),
        Optional.ofNullable(request.getHeader(HttpHeaders.USER_AGENT)).orElse(""),
        RequestContexts.session(request));
  }

  Whence with(String newSession) {
    return new Whence(address, browser, Optional.of(newSession));
  }
}
