package org.jollychain.server.demo;

import java.util.List;
import org.jollychain.server.account.PeopleService;
import org.jollychain.server.account.Person;
import org.jollychain.server.platform.Role;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The station's people, who come in by a click and have no password. */
@Component
@ConditionalOnProperty(name = "jolly.demo", havingValue = "true")
@Order(1)
class DemoPeople implements ApplicationRunner {

  private static final List<Person> PEOPLE =
      List.of(
          Person.of("imke", "Imke", Role.LEAD),
          Person.of("runa", "Runa", Role.TECHNICIAN),
          Person.of("ottar", "Ottar", Role.APPRENTICE),
          Person.of("tove", "Tove", Role.VIEWER));

  private final PeopleService people;

  DemoPeople(PeopleService people) {
    this.people = people;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    PEOPLE.forEach(people::addWithoutPassword);
  }
}
