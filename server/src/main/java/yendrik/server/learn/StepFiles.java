package yendrik.server.learn;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.StepId;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;

/** Files of a step, for those who may read the step. */
@Service
@Transactional(readOnly = true)
class StepFiles {
  private final Walks walks;
  private final Files files;

  StepFiles(Walks walks, Files files) {
    this.walks = walks;
    this.files = files;
  }

  Files.Kept file(Way way, StepId step, long file) {
    Walk walk = walks.see(way);
    StepDoor.open(walk, step);
    boolean there = walk.ready().document().content(step).files().contains(file);
    return files
        .of(walk.course(), file)
        .filter(_ -> there)
        .orElseThrow(() -> Problem.notFound("file"));
  }
}
