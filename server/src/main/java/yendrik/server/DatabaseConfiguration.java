package yendrik.server;

import java.sql.Connection;
import javax.sql.DataSource;
import org.jooq.ConnectionProvider;
import org.springframework.boot.jooq.autoconfigure.DefaultConfigurationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.DataSourceUtils;

/** jOOQ without what nobody reads, on the connection of the transaction. */
@Configuration
class DatabaseConfiguration {
  @Bean
  DefaultConfigurationCustomizer quiet() {
    return jooq ->
        jooq.settings().withExecuteLogging(false).withFetchWarnings(false).withRenderSchema(false);
  }

  @Bean
  ConnectionProvider connections(DataSource source) {
    return new ConnectionProvider() {
      @Override
      public Connection acquire() {
        return DataSourceUtils.getConnection(source);
      }

      @Override
      public void release(Connection connection) {
        DataSourceUtils.releaseConnection(connection, source);
      }
    };
  }
}
