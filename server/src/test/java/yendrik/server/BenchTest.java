package yendrik.server;

import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.springframework.beans.factory.annotation.Autowired;
import yendrik.core.id.EnrolmentId;
import yendrik.server.demo.DemoClock;
import yendrik.server.way.Walks;

/** What tests on a small course under way share; each class has one of its own. */
@ServerTest
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class BenchTest extends SchoolTest {
  @Autowired Walks walks;
  @Autowired DemoClock clock;
  Bench bench;

  @BeforeAll
  void aBench() {
    bench = new Bench(this, getClass().getSimpleName(), walks, people, db, clock);
  }

  String path() {
    return bench.path;
  }

  EnrolmentId enrolment(String name) {
    return bench.enrolment(name);
  }
}
