package yendrik.server.people;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.web.servlet.AbstractFilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/** Sessions in the database, which signing in and out begin and end. */
@Configuration
class SessionConfiguration {
  private static final String FILTER = "sessionRepositoryFilterRegistration";

  /** Whether people come over TLS, as the address says that letters name. */
  static boolean overTls(String address) {
    return address.startsWith("https:");
  }

  /** The cookie of a session; over TLS under a name that no other host can set. */
  @Bean
  static CookieSerializer cookies(@Value("${yendrik.address}") String address) {
    boolean tls = overTls(address);
    var cookies = new DefaultCookieSerializer();
    cookies.setCookieName(tls ? "__Host-yendrik" : "yendrik");
    cookies.setUseSecureCookie(tls);
    cookies.setUseHttpOnlyCookie(true);
    cookies.setSameSite("Lax");
    cookies.setCookiePath("/");
    return cookies;
  }

  /**
   * Keeps the library that manages sessions to the address where they begin and end. Elsewhere
   * {@link RequestContexts} says who it is; everybody who glances at a session there, as frameworks
   * do, would have it read and written again.
   */
  @Bean
  static BeanPostProcessor sessionsWhereTheyBeginAndEnd() {
    return new BeanPostProcessor() {
      @Override
      public Object postProcessAfterInitialization(Object bean, String name) {
        if (name.equals(FILTER) && bean instanceof AbstractFilterRegistrationBean<?> filter)
          filter.setUrlPatterns(List.of("/api/session"));
        return bean;
      }
    };
  }
}
