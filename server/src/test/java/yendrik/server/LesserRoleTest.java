package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yendrik.schema.Tables.ACCOUNT_EVENT;
import static yendrik.schema.Tables.FACT;

import com.zaxxer.hikari.HikariDataSource;
import javax.sql.DataSource;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.diagnostics.FailureAnalyzer;
import org.springframework.core.io.support.SpringFactoriesLoader;
import org.springframework.dao.DataAccessException;

/** The application runs as a role that reads and writes rows; a start with more is refused. */
@ServerTest
class LesserRoleTest extends SchoolTest {
  @Autowired DataSource source;

  @Test
  void the_running_application_can_neither_change_tables_nor_rewrite_facts() {
    int facts = db.fetchCount(FACT);
    refused(() -> db.truncate(ACCOUNT_EVENT).execute());
    refused(() -> db.dropTable(ACCOUNT_EVENT).execute());
    refused(() -> db.createTable("hole").column("id", SQLDataType.BIGINT).execute());
    refused(() -> db.update(FACT).set(FACT.KIND, "passed").execute());
    refused(() -> db.fetchCount(DSL.table("flyway_schema_history")));
    refused(() -> db.deleteFrom(DSL.table("fact_2026")).execute());
    assertThat(db.fetchCount(FACT)).isEqualTo(facts);
  }

  private static void refused(Runnable act) {
    assertThatThrownBy(act::run)
        .isInstanceOf(DataAccessException.class)
        .rootCause()
        .hasMessageFindingMatch("permission denied|must be owner");
  }

  /** What is said where the application is to run as this role. */
  private String start(String role) {
    var loaders = SpringFactoriesLoader.forDefaultResourceLocation();
    try (var running =
        new SpringApplication(YendrikServer.class)
            .run(
                "--server.port=0",
                "--spring.datasource.url=" + ((HikariDataSource) source).getJdbcUrl(),
                "--spring.datasource.username=" + role,
                "--spring.datasource.password=yendrik",
                "--yendrik.timers=false",
                "--logging.level.root=off")) {
      return "runs: " + running.isRunning();
    } catch (RuntimeException refused) {
      return loaders.load(FailureAnalyzer.class, (_, _, _) -> {}).stream()
          .filter(a -> a.getClass().getName().startsWith("yendrik"))
          .map(a -> a.analyze(refused).getDescription())
          .findFirst()
          .orElseThrow();
    }
  }

  @Test
  void a_start_as_owner_or_superuser_is_refused_with_what_is_too_much() {
    assertThat(start("yendrik_owner"))
        .isEqualTo(
            "The database role 'yendrik_owner' that is to run the application owns tables,"
                + " may make tables, may empty tables, may rewrite facts.");
    assertThat(start("yendrik")).contains("'yendrik'", "is a superuser", "may make databases");
    assertThat(start("yendrik_app")).isEqualTo("runs: true");
  }
}
