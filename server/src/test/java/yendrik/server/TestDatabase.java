package yendrik.server;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.DriverManager;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;

/** A fresh database for one test context. */
@TestConfiguration
class TestDatabase {
  @Bean
  DataSource dataSource() throws SQLException {
    String port = System.getProperty("yendrik.db.port", "54329");
    String server = "jdbc:postgresql://127.0.0.1:" + port + "/";
    String name = "yendrik_test_" + ProcessHandle.current().pid() + "_" + System.nanoTime();
    try (var connection = DriverManager.getConnection(server + "postgres", "yendrik", "yendrik");
        var statement = connection.createStatement()) {
      statement.execute("create database " + name + " owner yendrik_owner");
    }
    var source = new HikariDataSource();
    source.setJdbcUrl(server + name);
    source.setUsername("yendrik_app");
    source.setPassword("yendrik");
    return source;
  }
}
