package yendrik.formats.json;

import java.util.LinkedHashMap;
import java.util.Map;
import yendrik.core.course.Counts;
import yendrik.core.course.StepKind;
import yendrik.core.course.Validity;
import yendrik.core.kind.Strands;
import yendrik.core.outcome.Composition;
import yendrik.core.outcome.LevelMethod;
import yendrik.core.people.StaffKind;
import yendrik.core.quiz.Difficulty;
import yendrik.core.record.Fact;
import yendrik.core.rehearse.Line;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.Rhythm;
import yendrik.core.rule.RuleAt;
import yendrik.core.strand.work.Judgement;

/**
 * The names under which variants are stored and sent, in {@code is}. A name that was ever stored
 * keeps its meaning for good; a class may be called otherwise at any time. Strands and kinds say
 * the names of theirs. What was stored in an older form is read by {@link Upcasters}.
 */
final class StoredNames {
  private StoredNames() {}

  static final Map<Class<?>, String> ALL = all();

  private static Map<Class<?>, String> all() {
    Map<Class<?>, String> names = new LinkedHashMap<>();
    Strands.facts().forEach((name, fact) -> names.put(fact, name));
    Strands.leaves().forEach((name, leaf) -> names.put(leaf, name));
    Strands.ALL.forEach(strand -> names.put(strand.kept(), strand.name()));
    // facts
    names.put(Fact.Enrolled.class, "enrolled");
    names.put(Fact.CameUnder.class, "came-under");
    names.put(Fact.LeftCourse.class, "left-course");
    names.put(Fact.WasHere.class, "was-here");
    names.put(Fact.Rated.class, "rated");
    names.put(Fact.Attendance.class, "attendance");
    names.put(Fact.JoinedGroup.class, "joined-group");
    names.put(Fact.LeftGroup.class, "left-group");
    names.put(Fact.BadgeIssued.class, "badge-issued");
    names.put(Fact.BadgeRevoked.class, "badge-revoked");
    names.put(Fact.BadgeKept.class, "badge-kept");
    names.put(Fact.CompletedCourse.class, "completed-course");
    names.put(Fact.Approved.class, "approved");
    names.put(Fact.OwnWord.class, "own-word");
    names.put(Fact.Opened.class, "opened");
    names.put(Fact.Excused.class, "excused");
    names.put(Fact.DueMoved.class, "due-moved");
    names.put(Fact.AttemptsAdded.class, "attempts-added");
    names.put(Fact.TimeAdded.class, "time-added");
    names.put(Fact.StartedAnew.class, "started-anew");
    names.put(Fact.ExceptionEnded.class, "exception-ended");
    names.put(Fact.TakenBack.class, "taken-back");
    // questions
    names.put(Leaf.StepDone.class, "step-done");
    names.put(Leaf.DaysSinceDone.class, "days-since-done");
    names.put(Leaf.ModuleDone.class, "module-done");
    names.put(Leaf.ModuleCount.class, "module-count");
    names.put(Leaf.ModuleShare.class, "module-share");
    names.put(Leaf.QuizzesScored.class, "quizzes-scored");
    names.put(Leaf.LevelAtLeast.class, "level-at-least");
    names.put(Leaf.AtMastery.class, "at-mastery");
    names.put(Leaf.LevelBelow.class, "level-below");
    names.put(Leaf.EvidenceCount.class, "evidence-count");
    names.put(Leaf.CourseComplete.class, "course-complete");
    names.put(Leaf.AttendanceRate.class, "attendance-rate");
    names.put(Leaf.SessionsAttended.class, "sessions-attended");
    names.put(Leaf.SessionAttended.class, "session-attended");
    names.put(Leaf.InARow.class, "in-a-row");
    names.put(Leaf.GradeAtLeast.class, "grade-at-least");
    names.put(Leaf.Approved.class, "approved");
    names.put(Leaf.OwnWord.class, "own-word");
    names.put(Leaf.HasLeft.class, "has-left");
    names.put(Leaf.InGroup.class, "in-group");
    names.put(Leaf.OneOf.class, "one-of");
    names.put(Leaf.HoldsBadge.class, "holds-badge");
    names.put(Leaf.EnrolledFor.class, "enrolled-for");
    names.put(Leaf.InTime.class, "in-time");
    names.put(Leaf.QuietFor.class, "quiet-for");
    names.put(Leaf.NeverStarted.class, "never-started");
    names.put(Leaf.Overdue.class, "overdue");
    names.put(Leaf.BehindBy.class, "behind-by");
    names.put(Leaf.StuckFor.class, "stuck-for");
    names.put(Leaf.NoEvidence.class, "no-evidence");
    names.put(Leaf.RequiredOutOfReach.class, "required-out-of-reach");
    names.put(Leaf.AttendanceUnder.class, "attendance-under");
    // joints
    names.put(Condition.Ask.class, "ask");
    names.put(Condition.All.class, "all");
    names.put(Condition.Any.class, "any");
    names.put(Condition.AtLeast.class, "at-least");
    names.put(Condition.After.class, "after");
    names.put(Condition.None.class, "none");
    // places of rules
    names.put(RuleAt.StepOpens.class, "step-opens");
    names.put(RuleAt.StepDone.class, "step-done");
    names.put(RuleAt.ModuleOpens.class, "module-opens");
    names.put(RuleAt.ModuleDone.class, "module-done");
    names.put(RuleAt.BadgeEarned.class, "badge-earned");
    names.put(RuleAt.BadgeRenewed.class, "badge-renewed");
    names.put(RuleAt.CourseComplete.class, "course-complete");
    names.put(RuleAt.OutcomeMade.class, "outcome-made");
    names.put(RuleAt.FlagRaised.class, "flag-raised");
    // how long badges are valid
    names.put(Validity.Lasting.Always.class, "always");
    names.put(Validity.Lasting.Months.class, "months");
    names.put(Validity.Lasting.Until.class, "until");
    // lines of rehearsals
    names.put(Line.AsIf.class, "as-if");
    names.put(Line.Later.class, "later");
    names.put(Line.Given.class, "given");
    names.put(Line.Expect.class, "expect");
    // ways to find levels
    names.put(LevelMethod.MostRecent.class, "most-recent");
    names.put(LevelMethod.Best.class, "best");
    names.put(LevelMethod.Mean.class, "mean");
    names.put(LevelMethod.RecencyWeighted.class, "recency-weighted");
    names.put(LevelMethod.Secure.class, "secure");
    // ways to combine outcomes
    names.put(Composition.All.class, "all");
    names.put(Composition.AtLeast.class, "at-least");
    names.put(Composition.Mean.class, "mean");
    names.put(Composition.Lowest.class, "lowest");
    return Map.copyOf(names);
  }

  /** The same of what is one of a few words: kinds of steps, judgements, grants. */
  static final Map<Enum<?>, String> WORDS = words();

  private static Map<Enum<?>, String> words() {
    Map<Enum<?>, String> names = new LinkedHashMap<>();
    for (StepKind kind : StepKind.values()) names.put(kind, kind.stored());
    // what staff make of a piece of work
    names.put(Judgement.PASSED, "PASSED");
    names.put(Judgement.AGAIN, "AGAIN");
    names.put(Judgement.FAILED, "FAILED");
    // what an exception gives
    names.put(Fact.Grant.OPENED, "OPENED");
    names.put(Fact.Grant.EXCUSED, "EXCUSED");
    names.put(Fact.Grant.DUE_MOVED, "DUE_MOVED");
    names.put(Fact.Grant.ATTEMPTS, "ATTEMPTS");
    names.put(Fact.Grant.TIME, "TIME");
    names.put(Fact.Grant.ANEW, "ANEW");
    for (StaffKind kind : StaffKind.values()) names.put(kind, kind.name());
    for (Rhythm rhythm : Rhythm.values()) names.put(rhythm, rhythm.name());
    names.put(Counts.BEST, "BEST");
    names.put(Counts.LATEST, "LATEST");
    names.put(Counts.FIRST, "FIRST");
    names.put(Counts.MEAN, "MEAN");
    names.put(Difficulty.EASY, "EASY");
    names.put(Difficulty.MIDDLING, "MIDDLING");
    names.put(Difficulty.HARD, "HARD");
    return Map.copyOf(names);
  }
}
