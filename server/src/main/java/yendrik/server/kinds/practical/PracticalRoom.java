package yendrik.server.kinds.practical;

import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.core.id.StepId;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.signoff.SignOffStrand;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Assessments;
import yendrik.server.way.Walk;

/** Something done with the hands in front of staff, who sign it off. */
@Component
class PracticalRoom extends StepRoom<PracticalContent, PracticalAuthored, PracticalEdit> {
  private final Assessments assessments;

  PracticalRoom(Assessments assessments) {
    super(StepKind.PRACTICAL, PracticalContent.class, PracticalAuthored.class, PracticalEdit.class);
    this.assessments = assessments;
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return PracticalShown.class;
  }

  @Override
  protected PracticalContent fresh() {
    return new PracticalContent("", Optional.empty());
  }

  @Override
  protected PracticalAuthored part(PracticalContent content) {
    return new PracticalAuthored(content.rubric());
  }

  @Override
  protected PracticalEdit edit(PracticalContent content) {
    return new PracticalEdit(content.rubric());
  }

  @Override
  protected PracticalContent checked(Place place, String body, PracticalEdit edit) {
    return new PracticalContent(body, place.rubric(edit.rubric()));
  }

  @Override
  protected PracticalContent carried(PracticalContent content, Carrying to) {
    return new PracticalContent(to.text(content.body()), content.rubric().flatMap(to::rubric));
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    boolean seen = SignOffStrand.of(walk.progress().record()).at(s) != LearnerRecord.NEVER;
    StepId step = walk.step(s).id();
    return new PracticalShown(
        walk.rubric(s),
        seen ? assessments.of(walk, step, 0) : Optional.empty(),
        seen ? signedOff(walk, step) : Optional.empty());
  }

  @Override
  public Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return Phrase.of("note.done.signed-off", "day", day);
  }

  @Override
  public PracticalEdit written(DemoScript script) {
    return new PracticalEdit(script.rubric());
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.passInFrontOfStaff(step, ability);
  }

  private static Optional<String> signedOff(Walk walk, StepId step) {
    return Facts.standing(walk.facts()).stream()
        .filter(f -> f.what() instanceof SignOffFact.SignedOff off && off.step().equals(step))
        .map(f -> ((SignOffFact.SignedOff) f.what()).comment())
        .reduce((_, last) -> last);
  }
}
