package yendrik.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;

/** A test on the whole server with a PostgreSQL database of its own and the demo school in it. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(
    properties = {
      "yendrik.demo=true",
      "yendrik.demo.today=" + ServerTest.TODAY,
      "springdoc.api-docs.enabled=false",
      "yendrik.timers=false",
      "spring.session.jdbc.cleanup-cron=-",
      "logging.level.yendrik=warn"
    })
@AutoConfigureMockMvc
@Import(TestDatabase.class)
@interface DemoTest {}
