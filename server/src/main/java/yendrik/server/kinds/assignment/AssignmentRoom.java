package yendrik.server.kinds.assignment;

import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.http.Problem;
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
    return new AssignmentContent("", Optional.empty(), Takes.TEXT, /* passesAtOnce= */ false);
  }

  @Override
  protected ObjectNode now(ObjectNode kept) {
    // Before there was a choice, a text was handed in and staff decided.
    if (!kept.has("takes")) {
      kept.putObject("takes").put("text", true).put("link", false);
      kept.put("passesAtOnce", false);
    }
    return kept;
  }

  @Override
  protected AssignmentAuthored part(AssignmentContent content) {
    return new AssignmentAuthored(content.rubric(), content.takes(), content.passesAtOnce());
  }

  @Override
  protected AssignmentEdit edit(AssignmentContent content) {
    return new AssignmentEdit(content.rubric(), content.takes(), content.passesAtOnce());
  }

  @Override
  protected AssignmentContent checked(Place place, String body, AssignmentEdit edit) {
    Takes takes = edit.takes();
    if (!takes.text() && !takes.link() && takes.files().isEmpty())
      throw Problem.field("takes", "takes-nothing");
    return new AssignmentContent(body, place.rubric(edit.rubric()), takes, edit.passesAtOnce());
  }

  @Override
  protected AssignmentContent carried(AssignmentContent content, Carrying to) {
    return new AssignmentContent(
        to.text(content.body()),
        content.rubric().flatMap(to::rubric),
        content.takes(),
        content.passesAtOnce());
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
    return new AssignmentEdit(
        script.rubric(), Takes.besidesText(script.takes()), /* passesAtOnce= */ false);
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.passWork(step, ability);
  }
}
