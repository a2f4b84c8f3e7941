package yendrik.server.demo;

import java.util.Optional;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.server.design.ByKind;
import yendrik.server.discuss.StaffTalks;
import yendrik.server.discuss.Talks;
import yendrik.server.http.FilmHosts;
import yendrik.server.kinds.StepDemo;
import yendrik.server.kinds.assignment.HandedIn;
import yendrik.server.kinds.quiz.Attempts;
import yendrik.server.kinds.quiz.OpenAnswers;
import yendrik.server.kinds.quiz.PastAttempts;
import yendrik.server.kinds.quiz.after.Corrections;
import yendrik.server.kinds.quiz.after.Remarking;
import yendrik.server.kinds.quiz.bank.Bank;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.kinds.video.Playing;
import yendrik.server.learn.Steps;
import yendrik.server.teach.Marking;

/** What people of the demo can do. */
@Component
record Acts(
    Steps steps,
    Playing films,
    Attempts attempts,
    PastAttempts pastAttempts,
    OpenAnswers openAnswers,
    Questions questions,
    Bank bank,
    Corrections corrections,
    Remarking remarking,
    HandedIn work,
    Marking marking,
    Talks talks,
    StaffTalks staffTalks,
    FilmHosts filmHosts,
    Acts.StepDemos rooms) {
  /** A place elsewhere that the demo can lead to, if there is one. */
  Optional<String> filmHost() {
    return filmHosts.hosts().stream().findFirst().map(host -> host + "/");
  }

  /** A kind of step in the demo. */
  StepDemo room(StepKind kind) {
    return rooms.of(kind);
  }

  /** Every kind of step as the demo knows it. */
  @Component
  static class StepDemos extends ByKind<StepKind, StepDemo> {
    StepDemos(ObjectProvider<StepDemo> rooms) {
      super(StepKind.class, rooms, StepDemo::kind);
    }
  }
}
