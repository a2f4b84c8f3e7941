package yendrik.server.kinds.link;

import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.server.design.Carrying;
import yendrik.server.http.WebAddress;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.TextRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** A page elsewhere, with a few words on what to look for there. */
@Component
class LinkRoom extends TextRoom<LinkContent, LinkAuthored, LinkEdit> {
  LinkRoom() {
    super(StepKind.LINK, LinkContent.class, LinkAuthored.class, LinkEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return LinkShown.class;
  }

  @Override
  protected LinkContent fresh() {
    return new LinkContent("", "");
  }

  @Override
  protected LinkAuthored part(LinkContent content) {
    return new LinkAuthored(content.address());
  }

  @Override
  protected LinkEdit edit(LinkContent content) {
    return new LinkEdit(content.address());
  }

  @Override
  protected LinkContent checked(Place place, String body, LinkEdit edit) {
    String address = edit.address().strip();
    return new LinkContent(body, address.isEmpty() ? "" : WebAddress.of("address", address));
  }

  @Override
  protected LinkContent carried(LinkContent content, Carrying to) {
    return new LinkContent(to.text(content.body()), content.address());
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    String address = walk.content(s, LinkContent.class).address();
    return new LinkShown(address, WebAddress.host(address));
  }

  @Override
  public LinkEdit written(DemoScript script) {
    return new LinkEdit(script.address().orElse(""));
  }
}
