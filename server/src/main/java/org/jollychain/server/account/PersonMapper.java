package org.jollychain.server.account;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jspecify.annotations.Nullable;

@Mapper
interface PersonMapper {

  List<Person> all();

  Optional<Person> find(String login);

  boolean any();

  /** How somebody is known at the door. */
  Optional<AtTheDoor> atTheDoor(String login);

  /**
   * @param epoch in which a session begins that is begun by this
   * @param secondFactor whether a code is asked for
   */
  record AtTheDoor(
      String login, Role role, String password, boolean retired, int epoch, boolean secondFactor) {}

  /** Somebody who may be at work now; empty where they are retired. */
  Optional<Present> present(String login);

  /**
   * @param epoch sessions of another one are over
   * @param required whether the shop asks everybody for a second factor
   * @param deviceKey what their unsent entries are encrypted by on a device, in hex
   */
  record Present(Role role, int epoch, boolean secondFactor, boolean required, String deviceKey) {}

  /** Two who would both be the first take turns. */
  void lock();

  int insertIfNew(
      @Param("person") Person person,
      @Param("password") String password,
      @Param("stamp") Stamp stamp);

  int update(@Param("person") Person person, @Param("stamp") Stamp stamp);

  /**
   * @param present the hash it replaces, where only that one is to be replaced
   */
  int password(
      @Param("login") String login,
      @Param("password") String password,
      @Param("present") @Nullable String present,
      @Param("stamp") Stamp stamp);

  /** The same password, hashed as is now usual. */
  void rehash(
      @Param("login") String login,
      @Param("password") String password,
      @Param("present") String present);

  /** All sessions of theirs are over. */
  void nextEpoch(String login);

  int leads();
}
