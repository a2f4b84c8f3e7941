package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.EOFException;
import java.io.IOException;
import java.sql.SQLException;
import java.util.List;
import org.apache.catalina.connector.ClientAbortException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.context.annotation.Import;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.test.context.TestPropertySource;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;

/** A request that is refused or fails leaves one line, by which its person can be helped. */
@ServerTest
@Import(LoggedTest.Faulty.class)
@TestPropertySource(properties = "logging.level.yendrik=info")
@ExtendWith(OutputCaptureExtension.class)
class LoggedTest extends SchoolTest {
  /** An address that is at fault. */
  @RestController
  static class Faulty {
    @GetMapping("/api/faulty")
    @Needs(Right.SIGNED_IN)
    String fail() {
      throw new IllegalStateException("broken\r\nfake line", new ArithmeticException("at last"));
    }

    @GetMapping("/api/gone")
    @Needs(Right.SIGNED_IN)
    String lose() {
      var failed = new TransactionSystemException("rollback", new SQLException("closed"));
      failed.initApplicationException(new DataAccessResourceFailureException("timed out"));
      throw failed;
    }

    @GetMapping("/api/broken-off")
    @Needs(Right.SIGNED_IN)
    String breakOff() {
      throw new IllegalStateException(
          "sending", new SQLException("Connection reset by peer", new EOFException()));
    }

    @GetMapping("/api/left")
    @Needs(Right.SIGNED_IN)
    String answerNobody() throws IOException {
      throw new ClientAbortException(new IOException("Broken pipe"));
    }
  }

  @Test
  void who_left_before_the_answer_is_no_fault(CapturedOutput output) {
    as("Edda Marsh").call("GET", "/api/left", "");
    assertThat(output.getOut().lines())
        .noneMatch(l -> l.contains(" fault ") && l.contains("/api/left"));
  }

  @Test
  void what_breaks_off_behind_the_server_is_never_taken_for_somebody_who_left() {
    assertThat(as("Edda Marsh").call("GET", "/api/broken-off", "").getStatus()).isEqualTo(500);
  }

  @Test
  void a_fault_is_one_line_with_its_number_and_described_in_full_once(CapturedOutput output) {
    var first = as("Edda Marsh").call("GET", "/api/faulty", "");
    assertThat(first.getStatus()).isEqualTo(500);
    String number = Caller.json(first).path("arguments").path("number").asString();
    as("Edda Marsh").call("GET", "/api/faulty", "");
    List<String> lines = output.getOut().lines().toList();
    assertThat(lines)
        .anySatisfy(line ->
            assertThat(line)
                .contains("fault " + number, "request=\"GET /api/faulty\"")
                .contains("brokenfake line", "because of ArithmeticException: at last"));
    assertThat(lines).filteredOn(l -> l.contains("fault ") && l.contains("request=")).hasSize(2);
    assertThat(lines).filteredOn(l -> l.contains("in full")).hasSize(1);
    assertThat(lines).noneMatch(l -> l.startsWith("fake line"));
  }

  @Test
  void a_database_that_goes_in_the_middle_is_away_though_taking_back_fails_too() {
    assertThat(as("Edda Marsh").call("GET", "/api/gone", "").getStatus()).isEqualTo(503);
  }

  @Test
  void a_refusal_is_one_line_with_who_it_was_and_why(CapturedOutput output) {
    as("Edda Marsh").call("GET", "/api/people", "");
    assertThat(output.getOut().lines())
        .filteredOn(l -> l.contains("refused status="))
        .singleElement()
        .asString()
        .contains("status=403 code=problem.only-administrators request=\"GET /api/people\"");
  }
}
