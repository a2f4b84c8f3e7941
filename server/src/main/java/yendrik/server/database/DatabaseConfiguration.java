package yendrik.server.database;

import org.springframework.boot.jooq.autoconfigure.DefaultConfigurationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** jOOQ without what nobody reads. */
@Configuration
class DatabaseConfiguration {
  @Bean
  DefaultConfigurationCustomizer quiet() {
    return jooq ->
        jooq.settings().withExecuteLogging(false).withFetchWarnings(false).withRenderSchema(false);
  }
}
