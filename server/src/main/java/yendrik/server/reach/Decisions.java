package yendrik.server.reach;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.BadgeId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.FactId;
import yendrik.core.id.PersonId;
import yendrik.core.record.Fact;
import yendrik.core.strand.signoff.SignOffFact;
import yendrik.core.strand.work.WorkFact;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;
import yendrik.server.people.People;
import yendrik.server.people.Seat;
import yendrik.server.watch.FactWords;
import yendrik.server.watch.Learners;
import yendrik.server.way.Sessions;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/**
 * Badges whose ground fell away after a correction: they are held until somebody decides, and are
 * listed here as long as the facts leave them in doubt.
 */
@Service
@Transactional
public class Decisions {
  private final Walks walks;
  private final Learners learners;
  private final Letters letters;
  private final Sessions sessions;
  private final Designs designs;
  private final People people;
  private final Institutions institutions;

  Decisions(
      Walks walks,
      Learners learners,
      Letters letters,
      Sessions sessions,
      Designs designs,
      People people,
      Institutions institutions) {
    this.institutions = institutions;
    this.walks = walks;
    this.learners = learners;
    this.letters = letters;
    this.sessions = sessions;
    this.designs = designs;
    this.people = people;
  }

  /**
   * A badge to decide about.
   *
   * @param issued when it was issued
   * @param why what was corrected, in words
   */
  @Schema(name = "BadgeDecision")
  record DecisionView(
      EnrolmentId enrolment,
      String learner,
      BadgeId badge,
      String name,
      Optional<Instant> issued,
      String why,
      Optional<Instant> since) {}

  @Transactional(readOnly = true)
  List<DecisionView> open(Seat seat) {
    List<EnrolmentId> concerned =
        learners.of(seat).stream()
            .filter(l -> !l.summary().inDoubt().isEmpty())
            .map(Learners.Snapshot::enrolment)
            .toList();
    List<DecisionView> views = new ArrayList<>();
    for (Walk walk : walks.seeAll(concerned)) {
      String learner = learners.one(seat, walk.enrolment()).name();
      for (int b : walk.progress().inDoubt()) views.add(view(walk, learner, b));
    }
    views.sort(Comparator.comparing(DecisionView::learner).thenComparing(DecisionView::name));
    return views;
  }

  private DecisionView view(Walk walk, String learner, int b) {
    var badge = walk.progress().course().index().badge(b);
    Optional<Fact> correction = correction(walk);
    Optional<Instant> issued =
        walk.facts().stream()
            .filter(f -> f.what() instanceof Fact.BadgeIssued i && i.badge().equals(badge.id()))
            .map(Fact::at)
            .reduce((_, last) -> last);
    return new DecisionView(
        walk.enrolment(),
        learner,
        badge.id(),
        badge.name(),
        issued,
        correction
            .map(c -> why(walk, c))
            .orElseGet(() -> walk.writing().say(Phrase.of("doubt.rule"))),
        correction.map(Fact::at));
  }

  /** The newest correction; of several made at once the first, which is the mark itself. */
  private static Optional<Fact> correction(Walk walk) {
    return walk.facts().stream()
        .filter(f -> f.replaces().isPresent())
        .min(Comparator.comparing(Fact::at).reversed().thenComparing(Fact::id));
  }

  private String why(Walk walk, Fact correction) {
    CourseDesign design = walk.progress().course().design();
    Writing writing = walk.writing();
    var words =
        new FactWords(
            design,
            designs.groupNames(walk.course()),
            sessions.names(walk.course(), writing),
            writing);
    Set<PersonId> staff = new HashSet<>();
    correction.by().ifPresent(staff::add);
    Phrase was =
        first(walk, correction)
            .flatMap(f -> words.of(bare(f.what())))
            .map(Phrase::text)
            .orElseGet(() -> Phrase.of("doubt.something"));
    Phrase is =
        words
            .of(bare(correction.what()))
            .map(now -> Phrase.of("doubt.now", "was", was, "is", now))
            .orElseGet(() -> Phrase.of("doubt.taken-back", "was", was));
    var day = new Phrase.Day(correction.at());
    return writing.say(
        people.names(staff).values().stream()
            .findFirst()
            .map(name -> Phrase.of("doubt.by", "what", is, "name", name, "day", day))
            .orElseGet(() -> Phrase.of("doubt.on", "what", is, "day", day)));
  }

  /** Without what was written to the learner about it. */
  private static Fact.What bare(Fact.What what) {
    return switch (what) {
      case WorkFact.Marked m ->
          new WorkFact.Marked(m.step(), m.version(), m.points(), m.of(), m.judgement(), "");
      case SignOffFact.SignedOff off -> new SignOffFact.SignedOff(off.step(), "");
      default -> what;
    };
  }

  private static Optional<Fact> first(Walk walk, Fact correction) {
    Optional<FactId> replaced = correction.replaces();
    return walk.facts().stream().filter(f -> replaced.equals(Optional.of(f.id()))).findFirst();
  }

  /**
   * Keeps the badge, so that whoever decides stands for it, or revokes it.
   *
   * @param reason why, for the history
   * @param word a letter to the learner; none where it is empty
   */
  void decide(
      Seat seat,
      EnrolmentId enrolment,
      BadgeId badge,
      boolean keep,
      String reason,
      Optional<String> word) {
    learners.one(seat, enrolment);
    String[] name = new String[1];
    walks.act(
        enrolment,
        Optional.of(seat.person().id()),
        w -> {
          CourseIndex index = w.progress().course().index();
          int b = index.number(badge);
          if (b == CourseIndex.UNKNOWN) throw Problem.notFound("badge");
          if (!w.progress().inDoubt().contains(b)) throw Problem.conflict("decided-meanwhile");
          var id = badge;
          name[0] = index.badge(b).name();
          return List.of(keep ? new Fact.BadgeKept(id, reason) : new Fact.BadgeRevoked(id, reason));
        });
    word.map(String::strip)
        .filter(text -> !text.isEmpty())
        .ifPresent(text ->
            letters.write(
                seat,
                List.of(enrolment),
                institutions.say(Phrase.of("letter.badge", "badge", name[0])),
                text));
  }
}
