package yendrik.server;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.test.context.DynamicPropertyRegistrar;

/** A mail server of a test's own, which takes whatever is sent. */
@TestConfiguration
class TestMail {
  @Bean(initMethod = "start", destroyMethod = "stop")
  GreenMail mail() {
    return new GreenMail(new ServerSetup(0, "127.0.0.1", "smtp"));
  }

  @Bean
  DynamicPropertyRegistrar whereItIs(GreenMail mail) {
    return registry -> registry.add("spring.mail.port", () -> mail.getSmtp().getPort());
  }
}
