package org.jollychain.server.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The shop's people. Nobody is deleted, since writes name them; who leaves is retired. A change of
 * role, of password or a retirement ends all sessions of that person.
 */
@Service
public class PeopleService {

  private static final int SHORTEST = 12;

  /** So many bytes of a password count in the hash. */
  private static final int LONGEST_BYTES = 72;

  /** Lists of common passwords, names and words, and what is made of them. */
  private static final Zxcvbn GUESSES = new Zxcvbn();

  /** Of 0 to 4: 10^8 guesses at least, the library's "safely unguessable". */
  private static final int ENOUGH_GUESSES = 3;

  /** No password becomes this. */
  private static final String NO_PASSWORD = "{bcrypt}none";

  private final PersonMapper people;
  private final PasswordEncoder passwords;
  private final FindByIndexNameSessionRepository<? extends Session> sessions;
  private final Stamps stamps;

  PeopleService(
      PersonMapper people,
      PasswordEncoder passwords,
      FindByIndexNameSessionRepository<? extends Session> sessions,
      Stamps stamps) {
    this.people = people;
    this.passwords = passwords;
    this.sessions = sessions;
    this.stamps = stamps;
  }

  public List<Person> all() {
    return people.all();
  }

  /** Whether anybody may sign in yet. */
  boolean any() {
    return people.any();
  }

  /**
   * Adds somebody; sent again, it adds nobody.
   *
   * @throws RefusedException when the login is another's, or the password too easy
   */
  @Transactional
  public void add(NewPerson wanted) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Adding people");
    insert(wanted, now);
  }

  /**
   * Makes the first person of an empty library, a lead.
   *
   * @throws RefusedException when there is somebody already
   */
  @Transactional
  void first(NewPerson wanted) {
    people.lock();
    if (people.any()) {
      throw RefusedException.conflict("There is a lead already; sign in, or ask one of them.");
    }
    insert(wanted, new Stamp(stamps.now().at(), wanted.login(), Role.LEAD));
  }

  /** Somebody whom no password lets in, where they are not known yet. */
  public void addWithoutPassword(Person person) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Adding people");
    people.insertIfNew(person, NO_PASSWORD, now);
  }

  private void insert(NewPerson wanted, Stamp stamp) {
    refuseEasy(wanted.password(), wanted.login(), wanted.name());
    Person person = new Person(wanted.login(), wanted.name().strip(), wanted.role(), false, 1);
    String hash = passwords.encode(wanted.password());
    if (people.insertIfNew(person, hash, stamp) == 0
        && !people.find(wanted.login()).equals(Optional.of(person))) {
      throw RefusedException.conflict(
          "login: \"%s\" is somebody else's; take another.".formatted(wanted.login()));
    }
  }

  /**
   * Changes name, role, or whether somebody is retired.
   *
   * @throws RefusedException when changed meanwhile, or no lead would be left
   */
  @Transactional
  public void change(Person wanted) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Changing people");
    people.lock();
    Person was = found(wanted.login());
    if (people.update(wanted, now) == 0 && !sameAfter(was, wanted)) {
      throw RefusedException.conflict(
          "%s was changed meanwhile: now %s%s. Look again and repeat."
              .formatted(was.name(), was.role(), was.retired() ? ", retired" : ""));
    }
    if (people.leads() == 0) {
      throw RefusedException.unprocessable("One lead at least has to stay; make another first.");
    }
    if (was.role() != wanted.role() || wanted.retired()) {
      endSessions(wanted.login());
    }
  }

  private static boolean sameAfter(Person was, Person wanted) {
    return was.equals(
        new Person(
            wanted.login(), wanted.name(), wanted.role(), wanted.retired(), wanted.version() + 1));
  }

  /** Gives somebody a new password. */
  @Transactional
  public void reset(String login, String password) {
    stamps.now().require(Role.LEAD, "Setting another's password");
    set(found(login), password);
  }

  /**
   * Changes one's own password.
   *
   * @throws RefusedException when the present one is wrong, or the new one too easy
   */
  @Transactional
  void change(String present, String wanted) {
    Stamp now = stamps.now();
    now.require(Role.VIEWER, "A password of one's own");
    Person me = found(now.by());
    if (!passwords.matches(present, people.atTheDoor(me.login()).orElseThrow().password())) {
      throw RefusedException.unprocessable("present: that is not your password.");
    }
    set(me, wanted);
  }

  private void set(Person person, String password) {
    refuseEasy(password, person.login(), person.name());
    people.password(person.login(), passwords.encode(password), stamps.now());
    endSessions(person.login());
  }

  /** The login of whoever has a name, if one has. */
  public Optional<String> named(String name) {
    return people.all().stream()
        .filter(p -> !p.retired() && p.name().equalsIgnoreCase(name.strip()))
        .map(Person::login)
        .findFirst();
  }

  /** The name of whoever has a login. */
  public Optional<String> nameOf(String login) {
    return people.find(login).map(Person::name);
  }

  /** Signs somebody out everywhere. */
  void endSessions(String login) {
    sessions.findByPrincipalName(login).keySet().forEach(sessions::deleteById);
  }

  Person found(String login) {
    return people
        .find(login)
        .orElseThrow(
            () -> RefusedException.notFound("There is nobody called \"%s\".".formatted(login)));
  }

  private static void refuseEasy(String password, String login, String name) {
    if (password.length() < SHORTEST) {
      throw RefusedException.unprocessable(
          "password: %d characters at least; a few words do well.".formatted(SHORTEST));
    }
    if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST_BYTES) {
      throw RefusedException.unprocessable("password: %d bytes at most.".formatted(LONGEST_BYTES));
    }
    if (GUESSES.measure(password, List.of(login, name)).getScore() < ENOUGH_GUESSES) {
      throw RefusedException.unprocessable(
          "password: too easy to guess; not your name, no common password, not the same few letters. A few words do well.");
    }
  }
}
