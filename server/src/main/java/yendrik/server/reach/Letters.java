package yendrik.server.reach;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.EnrolmentId;
import yendrik.core.progress.Progress;
import yendrik.core.progress.StepState;
import yendrik.core.words.Phrase;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;
import yendrik.server.watch.Learners;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Letters to learners, each with their own name and what is open for them. */
@Service
@Transactional
public class Letters {
  private final Learners learners;
  private final Walks walks;
  private final Outbox outbox;

  Letters(Learners learners, Walks walks, Outbox outbox) {
    this.learners = learners;
    this.walks = walks;
    this.outbox = outbox;
  }

  /**
   * Writes to each learner, with their own name for {@code {name}} and what is open for them for
   * {@code {open}}.
   *
   * @return how many letters were written
   */
  public int write(Seat seat, List<EnrolmentId> enrolments, String subject, String body) {
    List<Learners.Snapshot> to =
        enrolments.stream().distinct().map(e -> learners.one(seat, e)).toList();
    if (to.stream().anyMatch(l -> l.person().equals(seat.person().id())))
      throw Problem.field("learners", "letter-to-oneself");
    outbox.checkAnHour(seat.person().id(), to.size());
    outbox.put(to.stream().map(learner -> letter(seat, learner, subject, body)).toList());
    return to.size();
  }

  /** What somebody would get. */
  record FilledIn(String to, String subject, String body) {}

  /** A letter as one learner would get it; nothing is written. */
  FilledIn filledIn(Seat seat, EnrolmentId enrolment, String subject, String body) {
    var learner = learners.one(seat, enrolment);
    Walk walk = walks.see(enrolment);
    return new FilledIn(
        learner.name(),
        personal(subject, learner, walk, seat),
        personal(body, learner, walk, seat));
  }

  private Letter letter(Seat seat, Learners.Snapshot learner, String subject, String body) {
    Walk walk = walks.see(learner.enrolment());
    return Letter.of(
        seat.course(),
        seat.person().id(),
        learner.person(),
        personal(subject, learner, walk, seat),
        personal(body, learner, walk, seat));
  }

  private static String personal(String text, Learners.Snapshot learner, Walk walk, Seat seat) {
    String first = learner.name().split(" ")[0];
    return text.replace("{name}", first)
        .replace("{open}", open(walk))
        .replace("{me}", seat.person().name());
  }

  private static String open(Walk walk) {
    Progress progress = walk.progress();
    var lines = new StringBuilder();
    for (int s = 0; s < progress.course().index().steps(); s++) {
      var state = progress.bead(s).state();
      boolean todo =
          state == StepState.OPEN || state == StepState.BEGUN || state == StepState.AGAIN;
      if (todo && progress.counts(s) && progress.sight().open(s))
        lines.append("- ").append(progress.course().index().step(s).name()).append('\n');
    }
    return lines.isEmpty()
        ? walk.writing().say(Phrase.of("letter.nothing-open"))
        : lines.toString().stripTrailing();
  }
}
