package yendrik.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;

/**
 * A test on the whole server with a PostgreSQL database of its own and people in it, but no
 * courses.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(
    properties = {
      "yendrik.timers=false",
      "spring.session.jdbc.cleanup-cron=-",
      "springdoc.api-docs.enabled=true",
      "springdoc.default-produces-media-type=application/json",
      "springdoc.default-consumes-media-type=application/json",
      "logging.level.yendrik=warn"
    })
@AutoConfigureMockMvc
@Import({TestDatabase.class, TestSchool.class})
public @interface ServerTest {
  /** A Monday afternoon: no test depends on the day on which it runs. */
  String TODAY = "2026-11-23T15:30:00Z";
}
