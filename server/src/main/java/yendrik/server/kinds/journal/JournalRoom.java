package yendrik.server.kinds.journal;

import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.discuss.Manner;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** A learner writes for staff alone, again and again. */
@Component
class JournalRoom extends StepRoom<JournalContent, JournalAuthored, JournalEdit> {
  JournalRoom() {
    super(StepKind.JOURNAL, JournalContent.class, JournalAuthored.class, JournalEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return JournalShown.class;
  }

  @Override
  protected JournalContent fresh() {
    return new JournalContent("", Optional.empty(), Manner.USUAL_MINUTES);
  }

  @Override
  protected JournalAuthored part(JournalContent content) {
    return new JournalAuthored(content.rubric(), content.minutes());
  }

  @Override
  protected JournalEdit edit(JournalContent content) {
    return new JournalEdit(content.rubric(), content.minutes());
  }

  @Override
  protected JournalContent checked(Place place, String body, JournalEdit edit) {
    return new JournalContent(body, place.rubric(edit.rubric()), edit.minutes());
  }

  @Override
  protected JournalContent carried(JournalContent content, Carrying to) {
    return new JournalContent(
        to.text(content.body()), content.rubric().flatMap(to::rubric), content.minutes());
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return new JournalShown(walk.content(s, JournalContent.class).minutes(), walk.rubric(s));
  }

  @Override
  public Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return Phrase.of("note.done.written", "day", day);
  }

  @Override
  public JournalEdit written(DemoScript script) {
    return new JournalEdit(script.rubric(), Manner.USUAL_MINUTES);
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.write(step, ability);
  }
}
