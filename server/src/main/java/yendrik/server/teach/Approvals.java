package yendrik.server.teach;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.core.people.StaffKind;
import yendrik.core.record.Fact;
import yendrik.core.record.Facts;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.server.design.Designs;
import yendrik.server.http.Problem;
import yendrik.server.people.Seat;
import yendrik.server.watch.CompletionWords;
import yendrik.server.watch.Learners;
import yendrik.server.way.Added;
import yendrik.server.way.Walk;
import yendrik.server.way.Walks;

/** Approving the way of learners through the course, where its completion asks for that. */
@Service
@Transactional
class Approvals {
  private final Designs designs;
  private final Learners learners;
  private final Walks walks;
  private final CompletionWords completions;

  Approvals(Designs designs, Learners learners, Walks walks, CompletionWords completions) {
    this.designs = designs;
    this.learners = learners;
    this.walks = walks;
    this.completions = completions;
  }

  /**
   * @param as what one approves as
   * @param asked whether the course's completion asks those for it
   * @param rule when the course is complete, in words; empty where nothing was said
   * @param waiting learners for whom an approval is all that is missing
   * @param given learners whom those have approved, newest first
   */
  @Schema(name = "Approvals")
  record QueueView(
      StaffKind as, boolean asked, String rule, List<WaitingView> waiting, List<GivenView> given) {}

  /**
   * @param share of the required steps that is done, 0 to 1
   * @param ownWord when the learner said that they have completed the course
   * @param others of the staff who are asked too
   */
  @Schema(name = "WaitingForApproval")
  record WaitingView(
      EnrolmentId enrolment,
      String name,
      List<GroupId> groups,
      double share,
      Optional<Instant> ownWord,
      Set<StaffKind> others) {}

  @Schema(name = "ApprovalGiven")
  record GivenView(EnrolmentId enrolment, String name, Instant at, Optional<Instant> completedAt) {}

  @Transactional(readOnly = true)
  QueueView of(Seat seat) {
    StaffKind as = kind(seat);
    Optional<Designs.Ready> ready = designs.published(seat.course());
    Optional<CourseDesign> design = ready.map(r -> r.document().design());
    Optional<Condition> rule = design.flatMap(CourseDesign::completeWhen);
    List<WaitingView> waiting = new ArrayList<>();
    List<GivenView> given = new ArrayList<>();
    for (Learners.Snapshot l : learners.of(seat)) {
      if (l.summary().approvals().contains(as)) waiting.add(waiting(l, as));
      Optional.ofNullable(l.summary().approved().get(as))
          .ifPresent(at -> given.add(new GivenView(l.enrolment(), l.name(), at, l.completedAt())));
    }
    given.sort(Comparator.comparing(GivenView::at).reversed());
    String says = design.map(completions::says).orElse("");
    return new QueueView(as, rule.stream().anyMatch(r -> asks(r, as)), says, waiting, given);
  }

  private static WaitingView waiting(Learners.Snapshot l, StaffKind as) {
    Set<StaffKind> others =
        l.summary().approvals().stream()
            .filter(k -> k != as)
            .collect(Collectors.toUnmodifiableSet());
    return new WaitingView(
        l.enrolment(), l.name(), l.summary().groups(), l.share(), l.summary().ownWord(), others);
  }

  private static boolean asks(Condition rule, StaffKind kind) {
    return rule.nodes()
        .anyMatch(n -> n instanceof Condition.Ask(var _, Leaf.Approved a) && a.by() == kind);
  }

  private static StaffKind kind(Seat seat) {
    return seat.role().orElseThrow(() -> Problem.forbidden("only-staff"));
  }

  /** Approves; who has been approved by such staff already is passed over. */
  void approve(Seat seat, List<EnrolmentId> of, String note) {
    StaffKind as = kind(seat);
    // in one order, so that two who approve the same do not wait for each other
    for (EnrolmentId enrolment : of.stream().distinct().sorted().toList()) {
      learners.one(seat, enrolment);
      walks.act(
          enrolment,
          Optional.of(seat.person().id()),
          w -> {
            boolean asked =
                w.progress().course().design().completeWhen().stream().anyMatch(r -> asks(r, as));
            if (!asked) throw Problem.conflict("no-approval-asked");
            if (standing(w, as).isPresent()) return List.of();
            return List.of(new Fact.Approved(as, note.strip()));
          });
    }
  }

  /** Takes an approval back; what rested on it is worked out anew. */
  void takeBack(Seat seat, EnrolmentId enrolment, String reason) {
    StaffKind as = kind(seat);
    learners.one(seat, enrolment);
    walks.change(
        enrolment,
        Optional.of(seat.person().id()),
        w ->
            List.of(
                Added.inPlaceOf(
                    standing(w, as).orElseThrow(() -> Problem.conflict("no-approval-given")),
                    new Fact.TakenBack(reason))));
  }

  private static Optional<Fact> standing(Walk walk, StaffKind kind) {
    return Facts.standing(walk.facts()).stream()
        .filter(f -> f.what() instanceof Fact.Approved a && a.kind() == kind)
        .reduce((_, last) -> last);
  }
}
