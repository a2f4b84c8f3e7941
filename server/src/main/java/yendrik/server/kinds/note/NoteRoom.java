package yendrik.server.kinds.note;

import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.server.design.Carrying;
import yendrik.server.http.Problem;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.TextRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** A short text among the steps, done when read. */
@Component
class NoteRoom extends TextRoom<NoteContent, NoteAuthored, NoteEdit> {
  /** As safe HTML, so that some 4,000 characters can be read of it. */
  private static final int LONGEST = 6_000;

  NoteRoom() {
    super(StepKind.NOTE, NoteContent.class, NoteAuthored.class, NoteEdit.class);
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return NoteShown.class;
  }

  @Override
  protected NoteContent fresh() {
    return new NoteContent("");
  }

  @Override
  protected NoteAuthored part(NoteContent content) {
    return new NoteAuthored();
  }

  @Override
  protected NoteEdit edit(NoteContent content) {
    return new NoteEdit();
  }

  @Override
  protected NoteContent checked(Place place, String body, NoteEdit edit) {
    if (body.length() > LONGEST) throw Problem.field("body", "note-too-long");
    return new NoteContent(body);
  }

  @Override
  protected NoteContent carried(NoteContent content, Carrying to) {
    return new NoteContent(to.text(content.body()));
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    return new NoteShown();
  }

  @Override
  public NoteEdit written(DemoScript script) {
    return new NoteEdit();
  }
}
