package yendrik.server.people;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.web.http.CookieHttpSessionIdResolver;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.SessionRepositoryFilter;

/** Sessions in the database, written as seldom as can be. */
@Configuration
class SessionConfiguration {
  /**
   * Puts {@link QuietSessions} between requests and the database. The filter is made anew, since
   * the repository itself must stay what others know it as.
   */
  @Bean
  static BeanPostProcessor quietSessions(
      ObjectProvider<JdbcIndexedSessionRepository> sessions,
      ObjectProvider<CookieSerializer> cookies) {
    return new BeanPostProcessor() {
      @Override
      public Object postProcessAfterInitialization(Object bean, String name) {
        if (!(bean instanceof SessionRepositoryFilter<?>)) return bean;
        var quiet = new SessionRepositoryFilter<>(new QuietSessions(plain(sessions.getObject())));
        var ids = new CookieHttpSessionIdResolver();
        ids.setCookieSerializer(cookies.getObject());
        quiet.setHttpSessionIdResolver(ids);
        return quiet;
      }
    };
  }

  @SuppressWarnings("unchecked") // which kind of session it keeps is nobody's business
  private static SessionRepository<Session> plain(JdbcIndexedSessionRepository sessions) {
    return (SessionRepository<Session>) (SessionRepository<?>) sessions;
  }
}
