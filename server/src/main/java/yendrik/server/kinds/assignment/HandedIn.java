package yendrik.server.kinds.assignment;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseIndex;
import yendrik.core.course.Step;
import yendrik.core.course.StepKind;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.PersonId;
import yendrik.core.id.StepId;
import yendrik.core.progress.StepState;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.strand.work.WorkStrand;
import yendrik.core.words.Phrase;
import yendrik.server.design.RubricForms;
import yendrik.server.files.Accepts;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.http.WebAddress;
import yendrik.server.kinds.assignment.AssignmentShown.MarkView;
import yendrik.server.kinds.assignment.AssignmentShown.VersionView;
import yendrik.server.learn.RouteViews.StepPage;
import yendrik.server.learn.StepDoor;
import yendrik.server.learn.StepPages;
import yendrik.server.texts.Comments;
import yendrik.server.texts.OwnTexts;
import yendrik.server.way.Assessments;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;
import yendrik.server.way.Way;
import yendrik.server.work.Versions;

/** Work that learners hand in. */
@Service
@Transactional
public class HandedIn {
  private final Versions work;
  private final Walks walks;
  private final StepPages pages;
  private final Assessments assessments;
  private final Files kept;
  private final Receipts receipts;
  private final OwnTexts texts;

  HandedIn(
      Versions work,
      Walks walks,
      StepPages pages,
      Assessments assessments,
      Files kept,
      Receipts receipts,
      OwnTexts texts) {
    this.texts = texts;
    this.receipts = receipts;
    this.kept = kept;
    this.work = work;
    this.walks = walks;
    this.pages = pages;
    this.assessments = assessments;
  }

  /** What learners see. */
  AssignmentShown shown(Walk walk, int s) {
    Step step = walk.step(s);
    StepState state = walk.progress().bead(s).state();
    boolean can =
        walk.progress().sight().open(s)
            && walk.usable(s)
            && state != StepState.DONE
            && state != StepState.WAITING;
    List<VersionView> versions =
        work.of(walk.enrolment(), step.id()).reversed().stream()
            .map(h ->
                new VersionView(
                    h.version(),
                    h.at(),
                    walk.progress().record().late(s, h.at().toEpochMilli()),
                    h.text(),
                    h.work().link(),
                    h.work().besides(),
                    mark(walk, step, h.version())))
            .toList();
    AssignmentContent content = walk.content(s, AssignmentContent.class);
    // What was handed in since was begun before it.
    Instant since = versions.isEmpty() ? Instant.MIN : versions.getFirst().at();
    Optional<AssignmentShown.DraftView> draft =
        Optional.of(step.id())
            .filter(_ -> can)
            .flatMap(id -> work.draft(walk.enrolment(), id))
            .filter(d -> d.at().isAfter(since))
            .map(d ->
                new AssignmentShown.DraftView(
                    d.work().text(), d.work().link(), d.work().besides(), d.at()));
    return new AssignmentShown(
        can, content.takes(), content.passesAtOnce(), draft, versions, walk.rubric(s));
  }

  private Optional<MarkView> mark(Walk walk, Step step, int version) {
    CourseIndex index = walk.progress().course().index();
    if (walk.progress().record().markedAt(index.number(step.id())) == LearnerRecord.NEVER)
      return Optional.empty();
    List<Fact> standing = Facts.standing(walk.facts());
    Optional<RubricForms.Filled> filled = assessments.of(walk, step.id(), version);
    List<String> levels =
        standing.stream()
            .map(Fact::what)
            .filter(w ->
                w instanceof Fact.Rated r
                    && r.criterion().isEmpty()
                    && r.step().equals(Optional.of(step.id()))
                    && r.version() == version)
            .map(w -> (Fact.Rated) w)
            .filter(r -> index.number(r.outcome()) != CourseIndex.UNKNOWN)
            .map(r -> {
              var outcome = index.outcome(index.number(r.outcome()));
              int level = outcome.scale().at(r.level());
              Phrase at =
                  level < 0
                      ? Phrase.of("gone.level")
                      : Phrase.text(outcome.scale().levels().get(level).name());
              return walk.writing()
                  .say(Phrase.of("mark.level", "outcome", outcome.name(), "level", at));
            })
            .toList();
    return standing.stream()
        .filter(f ->
            f.what() instanceof WorkFact.Marked m
                && m.step().equals(step.id())
                && m.version() == version)
        .reduce((_, last) -> last)
        .map(f -> {
          var m = (WorkFact.Marked) f.what();
          return new MarkView(
              m.judgement(), m.points(), m.of(), Comments.shown(m), f.at(), levels, filled);
        });
  }

  /** Hands a formatted text in, and files that were kept before. */
  public StepPage handIn(
      EnrolmentId enrolment, PersonId person, StepId step, String text, List<Long> files) {
    return handIn(enrolment, person, step, new Sent(text, "", files), /* receipt= */ false);
  }

  /**
   * What a learner sends.
   *
   * @param text formatted
   * @param link empty for none
   * @param files that the learner sent before, without those in the text
   */
  record Sent(String text, String link, List<Long> files) {}

  /**
   * Hands work in.
   *
   * @param receipt whether a letter says so, which is written with the act and sent afterwards
   */
  StepPage handIn(EnrolmentId enrolment, PersonId person, StepId step, Sent sent, boolean receipt) {
    int[] version = new int[1];
    boolean[] atOnce = new boolean[1];
    Versions.Work[] given = new Versions.Work[1];
    Set<String> before = new HashSet<>();
    Walk walk =
        walks.act(
            enrolment,
            Optional.of(person),
            w -> {
              int s = StepDoor.usable(w, step, StepKind.ASSIGNMENT);
              AssignmentContent content = w.content(s, AssignmentContent.class);
              given[0] = checked(w, content.takes(), person, sent);
              if (given[0].isEmpty()) throw Problem.field("text", "nothing-to-hand-in");
              StepState state = w.progress().bead(s).state();
              if (state == StepState.DONE) throw Problem.conflict("passed-already");
              if (state == StepState.WAITING) {
                if (isNewest(w, step, given[0])) return List.of();
                throw Problem.conflict("waits-for-marking");
              }
              before.addAll(StepPages.openNames(w.progress()));
              version[0] = WorkStrand.of(w.progress().record()).nextVersion(s);
              atOnce[0] = content.passesAtOnce();
              return List.of(new WorkFact.HandedIn(step, version[0]));
            });
    if (version[0] == 0) return pages.page(walk, step, List.of());
    work.add(enrolment, step, version[0], given[0]);
    if (receipt && !walk.practice()) receipts.write(walk, step, version[0], given[0]);
    return atOnce[0]
        ? pass(enrolment, step, version[0], before)
        : pages.sent(walk, step, StepPages.opened(before, walk.progress()));
  }

  /** Passes at once, by nobody's judgement. */
  private StepPage pass(EnrolmentId enrolment, StepId step, int version, Set<String> before) {
    Walk walk =
        walks.act(
            enrolment,
            Optional.empty(),
            w -> {
              double of = w.step(w.index().number(step)).scoring().points();
              return List.of(new WorkFact.Marked(step, version, of, of, Judgement.PASSED, ""));
            });
    return pages.sent(walk, step, StepPages.opened(before, walk.progress()));
  }

  /** Keeps a formatted text that was begun. */
  public void begin(EnrolmentId enrolment, PersonId person, StepId step, String text) {
    begin(enrolment, person, step, new Sent(text, "", List.of()));
  }

  /** Keeps what was begun, so that it can be gone on with elsewhere. */
  void begin(EnrolmentId enrolment, PersonId person, StepId step, Sent sent) {
    Walk walk = walks.see(enrolment);
    int s = StepDoor.usable(walk, step, StepKind.ASSIGNMENT);
    Takes takes = walk.content(s, AssignmentContent.class).takes();
    Versions.Work begun = of(walk, takes, person, sent, sent.link());
    if (begun.isEmpty()) work.forget(enrolment, step);
    else work.keep(enrolment, step, begun);
  }

  private Versions.Work checked(Walk walk, Takes takes, PersonId person, Sent sent) {
    if (!takes.text() && !OwnTexts.isBlank(sent.text()))
      throw Problem.field("text", "no-text-here");
    String link = sent.link().strip();
    if (!takes.link() && !link.isEmpty()) throw Problem.field("link", "no-link-here");
    return of(walk, takes, person, sent, link.isEmpty() ? "" : WebAddress.of("link", link));
  }

  private Versions.Work of(Walk walk, Takes takes, PersonId person, Sent sent, String link) {
    OwnTexts.OwnText text = texts.checked(walk.course(), person, sent.text(), List.of());
    List<Files.Kept> files = files(walk, takes, person, sent.files());
    return new Versions.Work(
        text.html(),
        link,
        Stream.concat(files.stream(), text.shown().stream()).distinct().toList());
  }

  private List<Files.Kept> files(Walk walk, Takes takes, PersonId person, List<Long> ids) {
    if (ids.isEmpty()) return List.of();
    Takes.FilesTaken taken =
        takes.files().orElseThrow(() -> Problem.field("files", "no-files-here"));
    List<Long> different = ids.stream().distinct().toList();
    if (different.size() > taken.number())
      throw Problem.field("files", "too-many-files", "most", taken.number());
    List<Files.Kept> all = new ArrayList<>();
    for (long id : different) {
      Files.Kept file =
          kept.own(walk.course(), person, id)
              .orElseThrow(() -> Problem.field("files", "no-such-file"));
      if (!taken.fits(file.mediaType()) || file.bytes() > taken.most())
        throw Problem.field("files", "file-not-taken", "name", file.name());
      all.add(file);
    }
    return List.copyOf(all);
  }

  /**
   * Which files a step takes, while something can be handed in.
   *
   * @param inText what it is to stand in the text as; a picture may always, films and files where
   *     files of their sort can be handed in
   */
  @Transactional(readOnly = true)
  Accepts accepts(EnrolmentId enrolment, StepId step, Optional<FileUse> inText) {
    Walk walk = walks.see(enrolment);
    int s = StepDoor.usable(walk, step, StepKind.ASSIGNMENT);
    Takes takes = walk.content(s, AssignmentContent.class).takes();
    boolean picture = inText.filter(FileUse.PICTURE::equals).isPresent();
    if (picture && takes.text()) return FileUse.PICTURE;
    Takes.FilesTaken taken =
        takes.files().orElseThrow(() -> Problem.field("files", "no-files-here"));
    return inText
        .filter(_ -> takes.text())
        .<Accepts>map(use -> Accepts.both(use, taken))
        .orElse(taken);
  }

  /** A file of one's own work, also one that was sent just now. */
  @Transactional(readOnly = true)
  Files.Kept file(Way way, PersonId person, StepId step, long file) {
    Walk walk = walks.see(way);
    StepDoor.open(walk, step, StepKind.ASSIGNMENT);
    return work.file(way.enrolment(), step, file, /* drafts= */ !way.watched())
        .or(() -> way.watched() ? Optional.empty() : kept.own(walk.course(), person, file))
        .orElseThrow(() -> Problem.notFound("file"));
  }

  /** Whether the newest version is just this: it was sent twice. */
  private boolean isNewest(Walk walk, StepId step, Versions.Work given) {
    List<Versions.Version> versions = work.of(walk.enrolment(), step);
    return !versions.isEmpty() && versions.getLast().work().equals(given);
  }
}
