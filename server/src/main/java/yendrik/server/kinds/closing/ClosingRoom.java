package yendrik.server.kinds.closing;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.StepKind;
import yendrik.core.outcome.Outcome;
import yendrik.core.progress.Known;
import yendrik.core.progress.Progress;
import yendrik.server.design.Carrying;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.TextRoom;
import yendrik.server.kinds.closing.ClosingShown.ReachedView;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** A note that comes when everything is done, and says what was reached. */
@Component
class ClosingRoom extends TextRoom<ClosingContent, ClosingAuthored, ClosingEdit> {
  ClosingRoom() {
    super(StepKind.CLOSING, ClosingContent.class, ClosingAuthored.class, ClosingEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return ClosingShown.class;
  }

  @Override
  protected ClosingContent fresh() {
    return new ClosingContent("");
  }

  @Override
  protected ClosingAuthored part(ClosingContent content) {
    return new ClosingAuthored();
  }

  @Override
  protected ClosingEdit edit(ClosingContent content) {
    return new ClosingEdit();
  }

  @Override
  protected ClosingContent checked(Place place, String body, ClosingEdit edit) {
    return new ClosingContent(body);
  }

  @Override
  protected ClosingContent carried(ClosingContent content, Carrying to) {
    return new ClosingContent(to.text(content.body()));
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    Progress progress = walk.progress();
    CourseIndex index = walk.index();
    List<Integer> counted =
        IntStream.range(0, index.steps()).filter(progress::counts).boxed().toList();
    var known = new Known(progress);
    List<String> badges =
        IntStream.range(0, index.badges())
            .filter(b -> progress.sight().holds(b) && known.badge(b))
            .mapToObj(b -> index.badge(b).name())
            .toList();
    List<ReachedView> outcomes =
        IntStream.range(0, index.outcomes())
            .mapToObj(o -> reached(index.outcome(o), progress.record().level(o)))
            .toList();
    int done = (int) counted.stream().filter(n -> progress.doneAt(n).isPresent()).count();
    return new ClosingShown(done, counted.size(), badges, outcomes);
  }

  private static ReachedView reached(Outcome outcome, OptionalInt level) {
    Optional<String> name =
        level.isPresent()
            ? Optional.of(outcome.scale().levels().get(level.getAsInt()).name())
            : Optional.empty();
    boolean mastered = level.orElse(-1) >= outcome.scale().mastery();
    return new ReachedView(outcome.name(), name, mastered);
  }

  @Override
  public ClosingEdit written(DemoScript script) {
    return new ClosingEdit();
  }
}
