package yendrik.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Assume;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import yendrik.core.course.CourseDesign;
import yendrik.core.course.CourseIndex;
import yendrik.core.id.GroupId;
import yendrik.core.rule.RuleAt;

/** Check against all that can be tried in small random designs. */
class CheckHoldsTest {
  @Provide
  Arbitrary<SmallDesign> designs() {
    return SmallDesign.designs();
  }

  private static Reach reach(CourseDesign design, Set<GroupId> groups) {
    var index = new CourseIndex(design);
    var scene = Reach.Scene.of(index, Around.NOTHING, 0);
    return Reach.of(scene, Profile.in(groups, false));
  }

  @Property(tries = 50, maxDiscardRatio = 20, edgeCases = EdgeCasesMode.NONE)
  void what_it_calls_reachable_is_reached_and_nothing_else_is(
      @ForAll("designs") SmallDesign small) {
    CourseDesign design = small.design();
    var places = new Places(new CourseIndex(design));
    boolean looked = false;
    for (Set<GroupId> groups : SmallDesign.whose()) {
      Explored explored = Explored.of(design, groups);
      if (!explored.whole()) continue;
      looked = true;
      Reach reach = reach(design, groups);
      for (int p = 0; p < places.all(); p++)
        if (reach.exists(p))
          assertThat(reach.reaches(p))
              .as(places.at(p) + " for those in " + groups)
              .isEqualTo(explored.reaches(p));
    }
    Assume.that(looked);
  }

  @Property(tries = 250, edgeCases = EdgeCasesMode.NONE)
  void whatever_nobody_reaches_is_explained(@ForAll("designs") SmallDesign small) {
    CourseDesign design = small.design();
    var places = new Places(new CourseIndex(design));
    Set<RuleAt> explained = new HashSet<>();
    for (Finding finding : Check.of(design, Around.NOTHING))
      if (finding.weight() == Finding.Weight.NOBODY) {
        explained.add(finding.place());
        explained.addAll(finding.holdsUp());
      }
    List<Reach> all = SmallDesign.whose().stream().map(g -> reach(design, g)).toList();
    for (int p = 0; p < places.all(); p++) {
      int place = p;
      boolean exists = all.stream().anyMatch(r -> r.exists(place));
      boolean reached = all.stream().anyMatch(r -> r.exists(place) && r.reaches(place));
      if (exists)
        assertThat(explained.contains(places.at(p))).as("" + places.at(p)).isEqualTo(!reached);
    }
  }

  @Property(tries = 250, edgeCases = EdgeCasesMode.NONE)
  void every_mend_removes_its_finding_and_adds_none_that_it_did_not_hide(
      @ForAll("designs") SmallDesign small) {
    List<Finding> found = Check.of(small.design(), Around.NOTHING);
    for (Finding finding : found)
      for (Mend mend : finding.mends())
        assertThat(Check.of(mend.in(small.design()), Around.NOTHING))
            .as(mend + " for " + finding)
            .noneMatch(f -> f.key().equals(finding.key()))
            .allMatch(f -> keys(found).contains(f.key()) || Check.hid(finding, f));
  }

  private static Set<String> keys(List<Finding> found) {
    return found.stream().map(Finding::key).collect(Collectors.toSet());
  }
}
