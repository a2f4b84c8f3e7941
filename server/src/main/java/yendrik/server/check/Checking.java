package yendrik.server.check;

import static yendrik.schema.Tables.COURSE;
import static yendrik.schema.Tables.ENROLMENT;
import static yendrik.schema.Tables.MEANT_FINDING;
import static yendrik.schema.Tables.PERSON;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.check.Around;
import yendrik.core.check.Check;
import yendrik.core.check.CheckWords;
import yendrik.core.check.Finding;
import yendrik.core.check.Mend;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.id.GroupId;
import yendrik.core.id.PersonId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.Leaf;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Rules;
import yendrik.server.check.CheckViews.CheckView;
import yendrik.server.check.CheckViews.FindingView;
import yendrik.server.check.CheckViews.LinkView;
import yendrik.server.check.CheckViews.MeantView;
import yendrik.server.design.Designs;
import yendrik.server.design.Document;
import yendrik.server.design.Json;
import yendrik.server.design.MendViews.MendView;
import yendrik.server.design.MendViews.MendedField;
import yendrik.server.design.MendViews.PlaceView;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/** Checks drafts, and keeps what is meant as it is. */
@Service
@Transactional
public class Checking {
  private static final int DAYS_OF_WEEK = 7;
  private final DSLContext db;
  private final Designs designs;
  private final Institutions institutions;
  private final Clock clock;

  Checking(DSLContext db, Designs designs, Institutions institutions, Clock clock) {
    this.db = db;
    this.designs = designs;
    this.institutions = institutions;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  CheckView check(CourseId course) {
    Document draft = designs.draft(course);
    CourseDesign design = draft.design();
    var said =
        new Said(
            design,
            new CheckWords(design, institutions.writing(design.zone(), clock.instant())),
            meant(course));
    return new CheckView(
        Check.of(design, around(course, design)).stream().map(said::finding).toList(),
        designs.lacking(draft).stream().map(institutions::say).toList());
  }

  private Around around(CourseId course, CourseDesign design) {
    int weeks =
        db.select(COURSE.WEEKS).from(COURSE).where(COURSE.ID.eq(course)).fetchSingle().value1();
    Instant ends = design.startsAt().plus(Duration.ofDays((long) DAYS_OF_WEEK * weeks));
    Set<CourseId> waiting =
        asked(design).stream()
            .filter(other ->
                designs
                    .published(other)
                    .filter(p -> Check.waitsFor(p.document().design(), course))
                    .isPresent())
            .collect(Collectors.toSet());
    return new Around(Optional.of(ends), emptyGroups(course, design), waiting);
  }

  /** The other courses that the rules of a design ask about. */
  private static Set<CourseId> asked(CourseDesign design) {
    return Rules.of(design).values().stream()
        .flatMap(Condition::nodes)
        .flatMap(n ->
            n instanceof Condition.Ask(var _, Leaf.CourseComplete c)
                ? Stream.of(c.course())
                : Stream.<CourseId>empty())
        .filter(c -> design.otherCourses().containsKey(c))
        .collect(Collectors.toSet());
  }

  /** None before anybody learns there: groups are filled last. */
  private Set<GroupId> emptyGroups(CourseId course, CourseDesign design) {
    Field<JSONB> groups = DSL.jsonbGetAttribute(ENROLMENT.SUMMARY, DSL.inline("groups"));
    List<JSONB> sets =
        db.selectDistinct(groups)
            .from(ENROLMENT)
            .where(ENROLMENT.COURSE_ID.eq(course), ENROLMENT.PRACTICE.isFalse())
            .fetch(groups);
    if (sets.isEmpty()) return Set.of();
    Set<GroupId> empty = new HashSet<>(design.groups().keySet());
    sets.forEach(set -> empty.removeAll(Json.list(set, GroupId.class)));
    return empty;
  }

  private Map<String, MeantView> meant(CourseId course) {
    Map<String, MeantView> all = new HashMap<>();
    db.select(MEANT_FINDING.FINDING, MEANT_FINDING.REASON, PERSON.NAME, MEANT_FINDING.AT)
        .from(MEANT_FINDING)
        .join(PERSON)
        .on(PERSON.ID.eq(MEANT_FINDING.BY_ID))
        .where(MEANT_FINDING.COURSE_ID.eq(course))
        .forEach(r -> all.put(r.value1(), new MeantView(r.value2(), r.value3(), r.value4())));
    return all;
  }

  /** Keeps that everything that is found of a sort is meant so, for one reason. */
  public void mean(CourseId course, PersonId by, Finding.Code code, String reason) {
    for (FindingView found : check(course).findings())
      if (found.code() == code) mean(course, by, found.key(), reason);
  }

  /**
   * Keeps that a finding is meant so, and why.
   *
   * @throws Problem if the draft has no such finding, or one that cannot be published
   */
  CheckView mean(CourseId course, PersonId by, String finding, String reason) {
    CheckView now = check(course);
    FindingView found =
        now.findings().stream()
            .filter(f -> f.key().equals(finding))
            .findFirst()
            .orElseThrow(() -> Problem.conflict("finding-gone"));
    if (found.weight() == Finding.Weight.FAULT) throw Problem.conflict("fault-not-meant");
    var row = db.newRecord(MEANT_FINDING);
    row.setCourseId(course);
    row.setFinding(finding);
    row.setReason(reason.strip());
    row.setById(by);
    row.setAt(clock.instant());
    db.insertInto(MEANT_FINDING).set(row).onDuplicateKeyUpdate().set(row).execute();
    return check(course);
  }

  CheckView meanNoMore(CourseId course, String finding) {
    db.deleteFrom(MEANT_FINDING)
        .where(MEANT_FINDING.COURSE_ID.eq(course), MEANT_FINDING.FINDING.eq(finding))
        .execute();
    return check(course);
  }

  /** Findings of one draft in words. */
  private record Said(CourseDesign design, CheckWords words, Map<String, MeantView> meant) {
    FindingView finding(Finding f) {
      List<String> chain = words.chain(f);
      List<LinkView> links = new ArrayList<>();
      for (int n = 0; n < chain.size(); n++)
        links.add(new LinkView(chain.get(n), place(f.chain().get(n).at())));
      return new FindingView(
          f.key(),
          f.code(),
          f.weight(),
          words.says(f),
          place(f.place()),
          links,
          f.holdsUp().stream()
              .map(this::place)
              .distinct()
              .filter(p -> !p.equals(place(f.place())))
              .toList(),
          f.mends().stream().flatMap(m -> mend(m).stream()).toList(),
          Optional.ofNullable(meant.get(f.key())));
    }

    private PlaceView place(RuleAt at) {
      return PlaceView.of(design.id(), at, name(at));
    }

    private String name(RuleAt at) {
      return words.name(at);
    }

    private Optional<MendView> mend(Mend mend) {
      String says = words.says(mend);
      return switch (mend) {
        case Mend.Rule m ->
            MendedField.of(m.place())
                .map(field -> new MendView(says, place(m.place()), field, m.rule().map(Json::map)));
        case Mend.PublishStep m -> of(says, new RuleAt.StepOpens(m.step()), MendedField.PUBLISHED);
        case Mend.PublishModule m ->
            of(says, new RuleAt.ModuleOpens(m.module()), MendedField.PUBLISHED);
        case Mend.AnyAttempts m -> of(says, new RuleAt.StepDone(m.step()), MendedField.ATTEMPTS);
        case Mend.NoDueDate m -> of(says, new RuleAt.StepDone(m.step()), MendedField.DUE_AT);
      };
    }

    private Optional<MendView> of(String says, RuleAt at, MendedField field) {
      return Optional.of(new MendView(says, place(at), field, Optional.empty()));
    }
  }
}
