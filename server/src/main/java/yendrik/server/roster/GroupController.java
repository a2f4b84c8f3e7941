package yendrik.server.roster;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.CourseId;
import yendrik.core.id.EnrolmentId;
import yendrik.core.id.GroupId;
import yendrik.server.http.PlainText;
import yendrik.server.people.Needs;
import yendrik.server.people.Right;
import yendrik.server.people.Seat;

/** Groups of learners in a course, of which learners are told nothing. */
@RestController
@RequestMapping("/api/courses/{course}/groups")
class GroupController {
  private final Groups groups;

  GroupController(Groups groups) {
    this.groups = groups;
  }

  /** The groups that somebody sees, with what speaks of them. */
  @GetMapping
  @Needs(Right.TEACH)
  List<Groups.View> groups(@PathVariable CourseId course, Seat seat) {
    return groups.all(seat);
  }

  record NewGroup(
      @NotBlank @Size(max = 100) @PlainText String name,
      @NotNull @Size(max = 2000) List<EnrolmentId> learners) {}

  /** Makes a group, of these learners if any are named. */
  @PostMapping
  @Needs(Right.SCHEDULE)
  @ResponseStatus(HttpStatus.CREATED)
  Groups.View make(@PathVariable CourseId course, Seat seat, @Valid @RequestBody NewGroup group) {
    return groups.make(seat, group.name(), group.learners());
  }

  record GroupName(@NotBlank @Size(max = 100) @PlainText String name) {}

  /** Gives a group another name. */
  @PutMapping("/{group}/name")
  @Needs(Right.SCHEDULE)
  Groups.View rename(
      @PathVariable CourseId course,
      Seat seat,
      @PathVariable GroupId group,
      @Valid @RequestBody GroupName name) {
    return groups.rename(seat, group, name.name());
  }

  record Membership(
      @NotNull @Size(max = 2000) List<EnrolmentId> in,
      @NotNull @Size(max = 2000) List<EnrolmentId> out) {}

  /** Puts learners into a group and takes others out. */
  @PostMapping("/{group}/members")
  @Needs(Right.SCHEDULE)
  Groups.View put(
      @PathVariable CourseId course,
      Seat seat,
      @PathVariable GroupId group,
      @Valid @RequestBody Membership members) {
    return groups.put(seat, group, members.in(), members.out());
  }

  /** Ends a group that nothing speaks of. */
  @DeleteMapping("/{group}")
  @Needs(Right.SCHEDULE)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable CourseId course, Seat seat, @PathVariable GroupId group) {
    groups.end(seat, group);
  }
}
