package yendrik.server.kinds.assignment;

import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** Work that is handed in and marked by staff. */
@Component
class AssignmentRoom extends StepRoom<AssignmentContent, AssignmentAuthored, AssignmentEdit> {
  private final HandedIn work;

  AssignmentRoom(HandedIn work) {
    super(
        StepKind.ASSIGNMENT,
        AssignmentContent.class,
        AssignmentAuthored.class,
        AssignmentEdit.class);
    this.work = work;
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return AssignmentShown.class;
  }

  @Override
  protected AssignmentContent fresh() {
    return new AssignmentContent("", Optional.empty());
  }

  @Override
  protected AssignmentAuthored part(AssignmentContent content) {
    return new AssignmentAuthored(content.rubric());
  }

  @Override
  protected AssignmentEdit edit(AssignmentContent content) {
    return new AssignmentEdit(content.rubric());
  }

  @Override
  protected AssignmentContent checked(Place place, String body, AssignmentEdit edit) {
    return new AssignmentContent(body, place.rubric(edit.rubric()));
  }

  @Override
  protected AssignmentContent carried(AssignmentContent content, Carrying to) {
    return new AssignmentContent(to.text(content.body()), content.rubric().flatMap(to::rubric));
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return work.shown(walk, s);
  }

  @Override
  public Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return Phrase.of("note.done.passed", "day", day);
  }

  @Override
  public AssignmentEdit written(DemoScript script) {
    return new AssignmentEdit(script.rubric());
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.passWork(step, ability);
  }
}
