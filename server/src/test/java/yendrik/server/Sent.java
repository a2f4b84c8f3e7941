package yendrik.server;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.id.OutcomeId;
import yendrik.core.id.ScaleId;
import yendrik.core.id.StatusId;
import yendrik.core.id.StepId;
import yendrik.core.strand.work.Judgement;
import yendrik.server.design.DesignEdits;
import yendrik.server.design.OutcomeForms;

/**
 * What a client sends, as the tests' own records, so that a field with another name in the API is
 * noticed. What no client would send is text where it is sent.
 */
final class Sent {
  private Sent() {}

  record Name(String name) {}

  record SentFile(String upload, String use) {}

  record Text(String text) {}

  record Message(String body) {}

  record Reason(String reason) {}

  record Seconds(int seconds) {}

  record Played(int from, int to) {}

  record SignIn(String email, String password) {}

  record Roster(List<String> emails) {}

  record Course(
      String name, String cohort, LocalDate starts, int weeks, String zone, boolean practice) {
    Course(String name, String cohort, LocalDate starts, int weeks, String zone) {
      this(name, cohort, starts, weeks, zone, false);
    }
  }

  record Adopted(List<OutcomeId> outcomes, List<ScaleId> scales) {}

  record Decided(String decision) {}

  record InDoubt(boolean keep, String reason, Optional<String> word) {}

  record Answers(Map<String, JsonNode> answers) {}

  record Publication(String draft, boolean later) {
    Publication(String draft) {
      this(draft, false);
    }
  }

  record Plan(String draft, boolean later, Instant at) {}

  record Letter(List<EnrolmentId> learners, String subject, String body) {}

  record Met(int criterion, int level, String comment) {}

  record Mark(
      int version,
      double points,
      Judgement judgement,
      String comment,
      Map<OutcomeId, Integer> levels,
      Optional<List<Met>> rubric) {
    Mark(int version, double points, Judgement judgement) {
      this(version, points, judgement, "", Map.of(), Optional.empty());
    }

    Mark(
        int version,
        double points,
        Judgement judgement,
        String comment,
        Map<OutcomeId, Integer> levels) {
      this(version, points, judgement, comment, levels, Optional.empty());
    }
  }

  record SignOff(String comment, Map<OutcomeId, Integer> levels) {}

  record Exception(
      String kind, StepId step, String reason, Optional<Integer> attempts, Optional<Instant> due) {
    Exception(String kind, long step, String reason) {
      this(kind, new StepId(step), reason, Optional.empty(), Optional.empty());
    }

    Exception due(String moment) {
      return new Exception(kind, step, reason, attempts, Optional.of(Instant.parse(moment)));
    }
  }

  record Award(BadgeId badge, String reason) {}

  record Rating(OutcomeId outcome, int level, List<EnrolmentId> learners, String note) {}

  record TakenBack(JsonNode ratings, String reason) {}

  record Series(
      String name,
      Optional<GroupId> group,
      Set<DayOfWeek> days,
      LocalTime time,
      int minutes,
      int everyWeeks,
      LocalDate from,
      LocalDate until) {}

  record Session(String name, Instant startsAt, int minutes) {}

  record Attended(EnrolmentId learner, Optional<StatusId> status) {}

  record Register(List<Attended> marks) {
    Register(Attended... marks) {
      this(Arrays.asList(marks));
    }
  }

  /** A new outcome that is on its own, in no group. */
  static DesignEdits.OutcomeEdit outcome(
      String code, String name, ScaleId scale, OutcomeForms.LevelRuleForm rule) {
    return new DesignEdits.OutcomeEdit(
        code, name, "", scale, rule, Optional.empty(), Optional.empty(), Optional.empty());
  }

  /** A new outcome that is had where all of its parts are. */
  static DesignEdits.OutcomeEdit madeOf(
      List<OutcomeId> parts,
      String code,
      String name,
      ScaleId scale,
      OutcomeForms.LevelRuleForm rule) {
    var all = new OutcomeForms.MadeOfForm(OutcomeForms.How.ALL, 1, parts);
    return new DesignEdits.OutcomeEdit(
        code, name, "", scale, rule, Optional.of(all), Optional.empty(), Optional.empty());
  }

  /** How a level is found where the numbers of the method do not matter. */
  static OutcomeForms.LevelRuleForm by(OutcomeForms.Method method) {
    return by(method, 2, 3);
  }

  static OutcomeForms.LevelRuleForm by(OutcomeForms.Method method, int times, int last) {
    return new OutcomeForms.LevelRuleForm(method, 2, times, last, 1, Optional.empty());
  }
}
