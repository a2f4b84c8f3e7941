package yendrik.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yendrik.core.people.StaffKind;
import yendrik.server.watch.report.Report;

/** What all reports have in common, whichever there are. */
class ReportsTest extends BenchTest {
  @Autowired List<Report> reports;

  private String at(Report report) {
    return path() + "/reports/" + report.name();
  }

  @Test
  void every_report_is_called_as_it_is_asked_for() {
    for (Report report : reports)
      assertThat(as("Tomas Weir").get(at(report)).path("is").asString()).isEqualTo(report.name());
  }

  @Test
  void every_report_comes_in_every_format_that_is_offered() {
    JsonNode formats = as("Tomas Weir").get(path() + "/reports");
    assertThat(formats).isNotEmpty();
    for (Report report : reports)
      for (JsonNode format : formats) {
        String name = format.path("name").asString();
        var file = as("Tomas Weir").call("GET", at(report) + "/" + name, "");
        assertThat(file.getStatus()).isEqualTo(200);
        assertThat(file.getHeader("Content-Disposition"))
            .contains("\"" + report.name() + "." + name + "\"");
        assertThat(file.getContentAsByteArray().length).isGreaterThan(100);
      }
  }

  @Test
  void a_report_or_format_that_there_is_not_is_answered_as_such() {
    var nobodys = as("Tomas Weir").call("GET", path() + "/reports/gossip", "");
    assertThat(nobodys.getStatus()).isEqualTo(404);
    var format = as("Tomas Weir").call("GET", at(reports.getFirst()) + "/stone", "");
    assertThat(format.getStatus()).isEqualTo(404);
  }

  @Test
  void of_every_report_a_support_teacher_sees_her_own_group_only() {
    for (Report report : reports)
      assertThat(as("Priya Nakamura").get(at(report)).path("learners").size())
          .as(report.name())
          .isEqualTo(1)
          .isLessThan(as("Tomas Weir").get(at(report)).path("learners").size());
  }

  @Test
  void a_support_teacher_of_no_group_sees_nobody() {
    staff(bench, "Aiko Brenner", StaffKind.SUPPORT);
    for (Report report : reports)
      assertThat(as("Aiko Brenner").get(at(report)).path("learners")).as(report.name()).isEmpty();
  }
}
