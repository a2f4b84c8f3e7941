package yendrik.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.session.web.http.CookieSerializer.CookieValue;

class CookiesTest {
  private static String session(String address) {
    var request = new MockHttpServletRequest();
    var response = new MockHttpServletResponse();
    SessionConfiguration.cookies(address)
        .writeCookieValue(new CookieValue(request, response, "secret"));
    return String.valueOf(response.getHeader("Set-Cookie"));
  }

  private static String token(String address) {
    var request = new MockHttpServletRequest();
    var response = new MockHttpServletResponse();
    var tokens = SecurityConfiguration.tokens(address);
    tokens.saveToken(tokens.generateToken(request), request, response);
    var cookie = response.getCookies()[0];
    return response.getHeader("Set-Cookie") + "; SameSite=" + cookie.getAttribute("SameSite");
  }

  @Test
  void over_tls_cookies_are_this_hosts_alone_and_sent_over_tls_only() {
    assertThat(session("https://yendrik.example"))
        .startsWith("__Host-yendrik=")
        .contains("Path=/", "Secure", "HttpOnly", "SameSite=Lax")
        .doesNotContain("Domain");
    assertThat(token("https://yendrik.example"))
        .startsWith("__Host-XSRF-TOKEN=")
        .contains("Path=/", "Secure", "SameSite=Lax")
        .doesNotContain("Domain", "HttpOnly");
  }

  @Test
  void without_tls_they_work_all_the_same() {
    assertThat(session("http://127.0.0.1:8480"))
        .startsWith("yendrik=")
        .contains("HttpOnly", "SameSite=Lax")
        .doesNotContain("Secure");
    assertThat(token("http://127.0.0.1:8480"))
        .startsWith("XSRF-TOKEN=")
        .doesNotContain("Secure", "HttpOnly");
  }
}
