package yendrik.server.way;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.course.CourseDesign;
import yendrik.core.id.CourseId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.RuleChange;
import yendrik.core.rule.check.Rules;
import yendrik.core.rule.words.Faults;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;
import yendrik.server.design.Designs;
import yendrik.server.design.Document;
import yendrik.server.design.Json;
import yendrik.server.design.MendViews.MendView;
import yendrik.server.design.MendViews.MendedField;
import yendrik.server.design.MendViews.PlaceView;
import yendrik.server.http.Problem;
import yendrik.server.institution.Institutions;

/** What each publication has changed, rules as sentences before and after. */
@Service
@Transactional(readOnly = true)
public class History {
  private final Designs designs;
  private final Publishing publishing;
  private final Institutions institutions;
  private final Clock clock;

  History(Designs designs, Publishing publishing, Institutions institutions, Clock clock) {
    this.designs = designs;
    this.publishing = publishing;
    this.institutions = institutions;
    this.clock = clock;
  }

  /**
   * @param names what is otherwise, by name
   */
  @Schema(name = "Changed")
  public record ChangesView(List<String> names, List<RuleChangeView> rules) {}

  /**
   * A rule before and after.
   *
   * @param place such as "Opens when of “Brake job card”"
   * @param before empty where there was none
   * @param after empty where there is none any more
   * @param back the change of the draft that makes it what it was before; empty where it is that,
   *     or where what had the rule is gone
   */
  @Schema(name = "RuleChange")
  public record RuleChangeView(
      String place, Optional<String> before, Optional<String> after, Optional<MendView> back) {}

  /** What a publication has changed of the one before it. */
  public ChangesView of(CourseId course, int number) {
    if (publishing.history(course).stream().noneMatch(p -> p.number() == number))
      throw Problem.notFound("publication");
    Document draft = designs.draft(course);
    Document later = designs.version(course, number).document();
    Optional<Document> earlier =
        number == 1
            ? Optional.empty()
            : Optional.of(designs.version(course, number - 1).document());
    return between(course, earlier, later, draft.design());
  }

  /** What the draft has otherwise than what was published last. */
  public ChangesView ofDraft(CourseId course) {
    Document draft = designs.draft(course);
    return between(
        course, designs.published(course).map(Designs.Ready::document), draft, draft.design());
  }

  private ChangesView between(
      CourseId course, Optional<Document> earlier, Document later, CourseDesign draft) {
    return new ChangesView(
        designs.between(earlier, later),
        earlier
            .map(e -> new Said(course, e.design(), later.design(), draft).changes())
            .orElse(List.of()));
  }

  /** The changes of one publication in words. */
  private final class Said {
    private final CourseId course;
    private final CourseDesign earlier;
    private final CourseDesign later;
    private final CourseDesign draft;
    private final Map<RuleAt, Condition> now;
    private final Writing writing;

    Said(CourseId course, CourseDesign earlier, CourseDesign later, CourseDesign draft) {
      this.course = course;
      this.earlier = earlier;
      this.later = later;
      this.draft = draft;
      now = Rules.of(draft);
      writing = institutions.writing(later.zone(), clock.instant());
    }

    List<RuleChangeView> changes() {
      return RuleChange.between(earlier, later).stream().map(this::said).toList();
    }

    private RuleChangeView said(RuleChange change) {
      RuleAt at = change.at();
      boolean gone = !Rules.has(later, at);
      String place = writing.say(new Faults(gone ? earlier : later).place(at));
      return new RuleChangeView(
          place,
          change.before().map(r -> new Wording(earlier, writing).line(r, at)),
          change.after().map(r -> new Wording(later, writing).line(r, at)),
          back(change, place));
    }

    private Optional<MendView> back(RuleChange change, String place) {
      RuleAt at = change.at();
      boolean asBefore = RuleChange.same(change.before(), Optional.ofNullable(now.get(at)));
      if (!Rules.has(draft, at) || asBefore) return Optional.empty();
      return MendedField.of(at)
          .map(field ->
              new MendView(
                  writing.say(Phrase.of("mend.back", "place", place)),
                  PlaceView.of(course, at, place),
                  field,
                  change.before().map(Json::map)));
    }
  }
}
