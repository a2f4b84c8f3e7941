package yendrik.server.people;

import java.util.List;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.web.servlet.AbstractFilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Sessions in the database, which signing in and out begin and end. */
@Configuration
class SessionConfiguration {
  private static final String FILTER = "sessionRepositoryFilterRegistration";

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
