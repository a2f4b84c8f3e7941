package yendrik.server.design;

import java.util.Map;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.BadgeId;
import yendrik.core.id.StepId;

/** A design with the content of its steps: what one publication holds. */
public record Document(
    CourseDesign design,
    Map<StepId, StepContent> contents,
    Map<StepId, Integer> minutes,
    Map<BadgeId, BadgePicture> pictures) {

  public StepContent content(StepId step) {
    return contents.getOrDefault(step, StepContent.EMPTY);
  }
}
