package yendrik.server;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/** A database that cannot be reached for as long as a test says so. */
@TestConfiguration
class LeavingDatabase {
  static final AtomicBoolean AWAY = new AtomicBoolean();

  /** How often those who answer requests have asked for it in vain; each of them waits. */
  static final AtomicInteger WAITED = new AtomicInteger();

  @Bean
  static BeanPostProcessor databaseThatLeaves() {
    return new BeanPostProcessor() {
      @Override
      public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource source ? new Leaving(source) : bean;
      }
    };
  }

  private static final class Leaving extends DelegatingDataSource {
    Leaving(DataSource source) {
      super(source);
    }

    @Override
    public Connection getConnection() throws SQLException {
      if (AWAY.get()) {
        if (Thread.currentThread().isVirtual()) WAITED.incrementAndGet();
        throw new SQLTransientConnectionException("Connection is not available");
      }
      return super.getConnection();
    }
  }
}
