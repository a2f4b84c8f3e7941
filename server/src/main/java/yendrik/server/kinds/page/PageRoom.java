package yendrik.server.kinds.page;

import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.core.record.LearnerRecord;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** Formatted text to read. */
@Component
class PageRoom extends StepRoom<PageContent, PageAuthored, PageEdit> {
  PageRoom() {
    super(StepKind.PAGE, PageContent.class, PageAuthored.class, PageEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return PageShown.class;
  }

  @Override
  public String word() {
    return "Page";
  }

  @Override
  protected PageContent fresh() {
    return new PageContent("");
  }

  @Override
  protected PageAuthored part(PageContent content) {
    return new PageAuthored();
  }

  @Override
  protected PageContent checked(Place place, String body, PageEdit edit) {
    return new PageContent(body);
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return new PageShown();
  }

  @Override
  public String done(LearnerRecord record, int s, String day) {
    return "read " + day;
  }

  @Override
  public PageEdit written(DemoScript script) {
    return new PageEdit();
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.read(step);
  }
}
