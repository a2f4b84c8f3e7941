package yendrik.server.kinds.page;

import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.server.design.Carrying;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.TextRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** Formatted text to read. */
@Component
class PageRoom extends TextRoom<PageContent, PageAuthored, PageEdit> {
  PageRoom() {
    super(StepKind.PAGE, PageContent.class, PageAuthored.class, PageEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return PageShown.class;
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
  protected PageEdit edit(PageContent content) {
    return new PageEdit();
  }

  @Override
  protected PageContent checked(Place place, String body, PageEdit edit) {
    return new PageContent(body);
  }

  @Override
  protected PageContent carried(PageContent content, Carrying to) {
    return new PageContent(to.text(content.body()));
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return new PageShown();
  }

  @Override
  public PageEdit written(DemoScript script) {
    return new PageEdit();
  }
}
