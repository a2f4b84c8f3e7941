package yendrik.server.learn;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import yendrik.core.course.StepKind;
import yendrik.server.design.ByKind;

/** Every kind of step as learners know it. */
@Component
class StepLearners extends ByKind<StepKind, StepLearner> {
  StepLearners(ObjectProvider<StepLearner> rooms) {
    super(StepKind.class, rooms, StepLearner::kind);
  }
}
