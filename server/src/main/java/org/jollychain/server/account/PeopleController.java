package org.jollychain.server.account;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jollychain.server.platform.Role;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The shop's people. Every write answers with all of them. */
@RestController
@RequestMapping(path = "/api/people", produces = MediaType.APPLICATION_JSON_VALUE)
class PeopleController {

  private final PeopleService people;

  PeopleController(PeopleService people) {
    this.people = people;
  }

  /**
   * Somebody as they are to be.
   *
   * @param version as it was seen
   */
  record Change(
      @NotBlank @Size(max = 60) String name, @NotNull Role role, boolean retired, int version) {}

  /** A password that a lead gives. */
  record Reset(@NotBlank @Size(max = 200) String password) {}

  @GetMapping
  List<Person> all() {
    return people.all();
  }

  @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
  List<Person> add(@RequestBody @Valid NewPerson person) {
    people.add(person);
    return people.all();
  }

  @PutMapping(path = "/{login}", consumes = MediaType.APPLICATION_JSON_VALUE)
  List<Person> change(@PathVariable String login, @RequestBody @Valid Change to) {
    people.change(
        new Person(login, to.name().strip(), to.role(), to.retired(), to.version(), false));
    return people.all();
  }

  @PutMapping(path = "/{login}/password", consumes = MediaType.APPLICATION_JSON_VALUE)
  List<Person> reset(@PathVariable String login, @RequestBody @Valid Reset reset) {
    people.reset(login, reset.password());
    return people.all();
  }

  /** Takes off the second factor of somebody who lost it. */
  @DeleteMapping("/{login}/factor")
  List<Person> takeOffFactor(@PathVariable String login) {
    people.takeOffFactor(login);
    return people.all();
  }
}
