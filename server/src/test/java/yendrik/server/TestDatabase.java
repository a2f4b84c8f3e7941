package yendrik.server;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.DriverManager;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.boot.flyway.autoconfigure.FlywayDataSource;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A fresh database for one test context. */
@TestConfiguration
class TestDatabase {
  /** Where it is. */
  record Fresh(String url) {}

  @Bean
  static Fresh fresh() throws SQLException {
    String port = System.getProperty("yendrik.db.port", "54329");
    String server = "jdbc:postgresql://127.0.0.1:" + port + "/";
    String name = "yendrik_test_" + ProcessHandle.current().pid() + "_" + System.nanoTime();
    try (var connection = DriverManager.getConnection(server + "postgres", "yendrik", "yendrik");
        var statement = connection.createStatement()) {
      statement.execute("create database " + name + " owner yendrik_owner");
    }
    return new Fresh(server + name);
  }

  /** What migrates it: not looked for where a DataSource is. */
  @Bean(defaultCandidate = false)
  @FlywayDataSource
  DataSource owners(Fresh fresh) {
    return new DriverManagerDataSource(fresh.url(), "yendrik_owner", "yendrik");
  }

  @Bean
  DataSource dataSource(Fresh fresh) {
    var source = new HikariDataSource();
    source.setJdbcUrl(fresh.url());
    source.setUsername("yendrik_app");
    source.setPassword("yendrik");
    return source;
  }
}
