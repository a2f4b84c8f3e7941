package yendrik.server;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.sql.DataSource;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.jdbc.datasource.DelegatingDataSource;

/** A database that cannot be reached for as long as a test says so. */
@TestConfiguration
class LeavingDatabase {
  static final AtomicBoolean AWAY = new AtomicBoolean();

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
      if (AWAY.get()) throw new SQLTransientConnectionException("Connection is not available");
      return super.getConnection();
    }
  }
}
