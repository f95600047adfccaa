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
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The shop's people. Nobody is deleted, since writes name them; who leaves is retired. A change of
 * role, of password or a retirement ends all sessions of that person, a retirement their tokens
 * too.
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
  private final SignInTries tries;
  private final SessionsService sessions;
  private final SecondFactorService factors;
  private final TokenMapper tokens;
  private final Stamps stamps;

  PeopleService(
      PersonMapper people,
      PasswordEncoder passwords,
      SignInTries tries,
      SessionsService sessions,
      SecondFactorService factors,
      TokenMapper tokens,
      Stamps stamps) {
    this.people = people;
    this.passwords = passwords;
    this.tries = tries;
    this.sessions = sessions;
    this.factors = factors;
    this.tokens = tokens;
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
   * Makes the first person of an empty library, a lead whatever role was sent: without one nobody
   * could add another.
   *
   * @throws RefusedException when there is somebody already
   */
  @Transactional
  void first(NewPerson wanted) {
    people.lock();
    if (people.any()) {
      throw RefusedException.conflict("There is a lead already; sign in, or ask one of them.");
    }
    insert(wanted.as(Role.LEAD), new Stamp(stamps.now().at(), wanted.login(), Role.LEAD));
  }

  /** Somebody whom no password lets in, where they are not known yet. */
  public void addWithoutPassword(Person person) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Adding people");
    people.insertIfNew(person, NO_PASSWORD, now);
  }

  private void insert(NewPerson wanted, Stamp stamp) {
    refuseEasy(wanted.password(), wanted.login(), wanted.name());
    Person person = Person.of(wanted.login(), wanted.name().strip(), wanted.role());
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
      sessions.endAll(wanted.login());
    }
    if (wanted.retired()) {
      tokens.revokeOf(wanted.login(), now);
    }
  }

  private static boolean sameAfter(Person was, Person wanted) {
    return was.equals(
        new Person(
            wanted.login(),
            wanted.name(),
            wanted.role(),
            wanted.retired(),
            wanted.version() + 1,
            was.secondFactor()));
  }

  /** Gives somebody a new password. */
  @Transactional
  public void reset(String login, String password) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Setting another's password");
    Person person = found(login);
    refuseEasy(password, person.login(), person.name());
    people.password(login, passwords.encode(password), null, now);
    sessions.endAll(login);
    tries.right(login);
  }

  /**
   * Changes one's own password.
   *
   * @throws RefusedException when the present one is wrong, the new one too easy, or it was changed
   *     meanwhile
   */
  @Transactional
  void change(String present, String wanted) {
    Stamp now = stamps.now();
    String hash = proved(present);
    Person me = found(now.by());
    refuseEasy(wanted, me.login(), me.name());
    if (people.password(me.login(), passwords.encode(wanted), hash, now) == 0) {
      throw RefusedException.conflict("Your password was changed meanwhile; sign in with that.");
    }
    sessions.endAll(me.login());
  }

  /**
   * Makes sure that whoever is at work knows their own password. It is guessed no faster than at
   * the door.
   *
   * @return its hash
   * @throws RefusedException when it is another
   */
  private String proved(String present) {
    Stamp now = stamps.now();
    now.require(Role.VIEWER, "A password of one's own");
    Person me = found(now.by());
    tries.begin(me.login());
    String hash = people.atTheDoor(me.login()).orElseThrow().password();
    if (!passwords.matches(present, hash)) {
      throw RefusedException.unprocessable("present: that is not your password.");
    }
    tries.right(me.login());
    return hash;
  }

  /**
   * Takes one's own second factor off.
   *
   * @throws RefusedException when the password is another, or the shop asks everybody for one
   */
  @Transactional
  void takeOffMyFactor(String present) {
    if (factors.required()) {
      throw RefusedException.conflict(
          "This shop asks everybody for a second factor; a lead takes yours off where you lost it.");
    }
    proved(present);
    factors.takeOff(stamps.now().by());
  }

  /** Takes the second factor off of somebody who lost it. */
  @Transactional
  public void takeOffFactor(String login) {
    stamps.now().require(Role.LEAD, "Taking off another's second factor");
    factors.takeOff(found(login).login());
    sessions.endAll(login);
  }

  /** The logins of those at work who have a name; several may have the same. */
  public List<String> named(String name) {
    return people.all().stream()
        .filter(p -> !p.retired() && p.name().equalsIgnoreCase(name.strip()))
        .map(Person::login)
        .toList();
  }

  /** The name of whoever has a login. */
  public Optional<String> nameOf(String login) {
    return people.find(login).map(Person::name);
  }

  /** Somebody who may be at work now. */
  Optional<PersonMapper.Present> present(String login) {
    return people.present(login);
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
