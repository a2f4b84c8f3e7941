package yendrik.server;

import java.util.List;
import java.util.Locale;
import org.springframework.beans.factory.InitializingBean;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import yendrik.server.demo.DemoClock;
import yendrik.server.people.People;

/** Who is there in a test: people without courses, and a clock that can be put to a moment. */
@TestConfiguration
class TestSchool {
  static final String PASSWORD = "hollow-lane";

  @Bean
  @Primary
  DemoClock testClock() {
    return DemoClock.of(ServerTest.TODAY);
  }

  @Bean
  InitializingBean peopleOfTheTests(People people) {
    return () -> {
      people.add("Sefa Dunmore", address("Sefa"), PASSWORD, /* administrator= */ true);
      for (String name :
          List.of(
              "Odalys Brandt",
              "Tomas Weir",
              "Priya Nakamura",
              "Sol Wickham",
              "Ilse Tran",
              "Edda Marsh",
              "Juno Abara",
              "Ruben Sato",
              "Bashir Colm",
              "Aiko Brenner")) people.add(name, address(name), PASSWORD, false);
    };
  }

  /** The e-mail address of somebody. */
  static String address(String name) {
    return name.split(" ")[0].toLowerCase(Locale.ROOT) + "@hollowlane.example";
  }
}
