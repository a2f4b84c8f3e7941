package yendrik.server;

import java.time.Clock;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnMissingBean;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.jooq.autoconfigure.DefaultConfigurationCustomizer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;
import yendrik.server.demo.DemoClock;

/** Starts the server. */
@SpringBootApplication
@EnableScheduling
@ConfigurationPropertiesScan
public class YendrikServer {
  public static void main(String[] args) {
    ConfigurableApplicationContext running = SpringApplication.run(YendrikServer.class, args);
    var given = running.getEnvironment();
    boolean once =
        given.getProperty("yendrik.check", Boolean.class, false)
            || given.containsProperty("yendrik.admin");
    if (once) System.exit(SpringApplication.exit(running));
  }

  /** Rows with a version are changed only as they were read. */
  @Bean
  DefaultConfigurationCustomizer rowsByVersion() {
    return jooq ->
        jooq.settings()
            .withExecuteWithOptimisticLocking(true)
            .withExecuteWithOptimisticLockingExcludeUnversioned(true);
  }

  /**
   * The demo's clock can be put back while its past is lived through.
   *
   * @param today the moment at which the demo's clock begins to run, empty for the machine's own
   */
  @Bean
  @ConditionalOnProperty("yendrik.demo")
  DemoClock demoClock(@Value("${yendrik.demo.today:}") String today) {
    return DemoClock.of(today);
  }

  @Bean
  @ConditionalOnMissingBean
  Clock clock() {
    return Clock.systemUTC();
  }
}
