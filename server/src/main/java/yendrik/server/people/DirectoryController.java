package yendrik.server.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yendrik.core.id.PersonId;
import yendrik.server.http.FieldsEdit;

/** The people of the institution, for administrators. */
@RestController
@RequestMapping("/api/people")
class DirectoryController {
  private final Directory directory;

  DirectoryController(Directory directory) {
    this.directory = directory;
  }

  /** People by name, those in whose name or address all words are that are looked for. */
  @GetMapping
  @Needs(Right.ADMINISTER)
  Directory.Found find(@RequestParam(defaultValue = "") @Size(max = 200) String find) {
    return directory.find(find);
  }

  record NewPeople(
      @NotEmpty(message = "nobody-to-add") @Size(max = 2000) List<Directory.@Valid New> people) {}

  /** Adds people, each of whom gets a letter with a link by which they set a password. */
  @PostMapping
  @Needs(Right.ADMINISTER)
  Directory.Added add(SignedIn by, Whence whence, @Valid @RequestBody NewPeople people) {
    return directory.add(people.people(), by, whence);
  }

  /** One person, their courses and what happened to their account lately. */
  @GetMapping("/{person}")
  @Needs(Right.ADMINISTER)
  Directory.View view(@PathVariable PersonId person) {
    return directory.view(person);
  }

  /** Changes the name, the address or the rights of a person. */
  @PatchMapping("/{person}")
  @Needs(Right.ADMINISTER)
  Directory.View change(
      SignedIn by,
      Whence whence,
      @PathVariable PersonId person,
      @Valid @RequestBody FieldsEdit edit) {
    directory.change(person, edit, by, whence);
    return directory.view(person);
  }

  record Invited(@NotEmpty(message = "nobody-chosen") @Size(max = 2000) List<PersonId> people) {}

  /** Has a letter with a new link written to people. */
  @PostMapping("/links")
  @Needs(Right.ADMINISTER)
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void invite(SignedIn by, Whence whence, @Valid @RequestBody Invited invited) {
    directory.invite(invited.people(), by, whence);
  }
}
