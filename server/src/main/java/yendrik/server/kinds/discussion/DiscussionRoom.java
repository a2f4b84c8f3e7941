package yendrik.server.kinds.discussion;

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

/** Learners write for each other, and staff with them. */
@Component
class DiscussionRoom extends StepRoom<DiscussionContent, DiscussionAuthored, DiscussionEdit> {
  DiscussionRoom() {
    super(
        StepKind.DISCUSSION,
        DiscussionContent.class,
        DiscussionAuthored.class,
        DiscussionEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return DiscussionShown.class;
  }

  @Override
  protected DiscussionContent fresh() {
    return new DiscussionContent("", Optional.empty(), false, false, Manner.USUAL_MINUTES);
  }

  @Override
  protected DiscussionAuthored part(DiscussionContent content) {
    return new DiscussionAuthored(
        content.rubric(), content.byGroup(), content.postFirst(), content.minutes());
  }

  @Override
  protected DiscussionEdit edit(DiscussionContent content) {
    return new DiscussionEdit(
        content.rubric(), content.byGroup(), content.postFirst(), content.minutes());
  }

  @Override
  protected DiscussionContent checked(Place place, String body, DiscussionEdit edit) {
    return new DiscussionContent(
        body, place.rubric(edit.rubric()), edit.byGroup(), edit.postFirst(), edit.minutes());
  }

  @Override
  protected DiscussionContent carried(DiscussionContent content, Carrying to) {
    return new DiscussionContent(
        to.text(content.body()),
        content.rubric().flatMap(to::rubric),
        content.byGroup(),
        content.postFirst(),
        content.minutes());
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return new DiscussionShown(walk.content(s, DiscussionContent.class).minutes(), walk.rubric(s));
  }

  @Override
  public Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return Phrase.of("note.done.joined-in", "day", day);
  }

  @Override
  public DiscussionEdit written(DemoScript script) {
    return new DiscussionEdit(script.rubric(), script.byGroup(), false, Manner.USUAL_MINUTES);
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.write(step, ability);
  }
}
