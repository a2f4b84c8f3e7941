package yendrik.core.rule.text;

import java.util.List;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.attempts.AttemptLeaf;
import yendrik.core.strand.confirm.ConfirmLeaf;
import yendrik.core.strand.film.FilmLeaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.posts.PostLeaf;
import yendrik.core.strand.seen.SeenLeaf;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.core.strand.time.TimeLeaf;
import yendrik.core.strand.work.WorkLeaf;

/** The forms of all questions. A form that was ever written keeps its meaning for good. */
final class Forms {
  private Forms() {}

  static final List<Form> ALL =
      List.of(
          Form.of(SeenLeaf.Seen.class, "{step} read"),
          Form.of(TimeLeaf.TimeSpent.class, "{step} open for {minutes} minutes"),
          Form.of(FilmLeaf.Watched.class, "{step} watched {share} %"),
          Form.of(ConfirmLeaf.Confirmed.class, "{step} confirmed"),
          Form.of(WorkLeaf.HandedIn.class, "{step} handed in"),
          Form.of(WorkLeaf.Marked.class, "{step} marked"),
          Form.of(MarkLeaf.Passed.class, "{step} passed"),
          Form.of(MarkLeaf.NotPassed.class, "{step} marked and not passed"),
          Form.of(MarkLeaf.Score.class, "{step} scored {from} % to {to} %"),
          Form.of(AttemptLeaf.Attempted.class, "{step} tried {times} times"),
          Form.of(AttemptLeaf.OnDays.class, "{step} tried on {days} days"),
          Form.of(AttemptLeaf.Improved.class, "{step} improved by {by} %"),
          Form.of(PostLeaf.Posted.class, "{step} with {times} posts"),
          Form.of(PostLeaf.Replied.class, "{step} with {times} replies"),
          Form.of(SignOffLeaf.SignedOff.class, "{step} signed off"),
          Form.of(Leaf.StepDone.class, "{step} done"),
          Form.of(Leaf.DaysSinceDone.class, "{step} done {days} days ago"),
          Form.of(Leaf.ModuleDone.class, "module {module} done"),
          Form.of(Leaf.ModuleCount.class, "module {module} with {steps} steps done"),
          Form.of(Leaf.ModuleShare.class, "module {module} {share} % done"),
          Form.of(Leaf.QuizzesScored.class, "all quizzes of module {module} scored {share} %"),
          Form.of(Leaf.QuizzesScored.class, "all quizzes scored {share} %"),
          Form.of(Leaf.AtMastery.class, "outcome {outcome} at mastery"),
          Form.of(Leaf.LevelAtLeast.class, "outcome {outcome} at {level}"),
          Form.of(Leaf.LevelBelow.class, "outcome {outcome} below {level}"),
          Form.of(Leaf.EvidenceCount.class, "outcome {outcome} shown {pieces} times at {level}"),
          Form.of(Leaf.CourseComplete.class, "course {course} complete"),
          Form.of(Leaf.AttendanceRate.class, "attended {share} %"),
          Form.of(Leaf.SessionsAttended.class, "attended {sessions} sessions"),
          Form.of(Leaf.SessionAttended.class, "attended session {session}"),
          Form.of(Leaf.InARow.class, "here {times} {rhythm} in a row"),
          Form.of(Leaf.GradeAtLeast.class, "course grade {share} %"),
          Form.of(Leaf.Approved.class, "approved by {by}"),
          Form.of(Leaf.OwnWord.class, "own word"),
          Form.of(Leaf.HasLeft.class, "left the course"),
          Form.of(Leaf.InGroup.class, "in group {group}"),
          Form.of(Leaf.OneOf.class, "one of {people}"),
          Form.of(Leaf.HoldsBadge.class, "badge {badge} held"),
          Form.of(Leaf.EnrolledFor.class, "enrolled for {days} days"),
          Form.of(Leaf.InTime.class, "from {from} until {until}"),
          Form.of(Leaf.InTime.class, "from {from}"),
          Form.of(Leaf.InTime.class, "until {until}"),
          Form.of(Leaf.QuietFor.class, "away for {days} days"),
          Form.of(Leaf.NeverStarted.class, "nothing seen {days} days after the start"),
          Form.of(Leaf.Overdue.class, "{steps} steps overdue"),
          Form.of(Leaf.BehindBy.class, "{days} days behind plan"),
          Form.of(Leaf.StuckFor.class, "stuck for {days} days"),
          Form.of(Leaf.RequiredOutOfReach.class, "something required out of reach"),
          Form.of(Leaf.NoEvidence.class, "nothing known of outcome {outcome} by {from}"),
          Form.of(Leaf.AttendanceUnder.class, "attended under {share} %"));
}
