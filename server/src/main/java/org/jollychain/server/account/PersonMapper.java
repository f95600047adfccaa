package org.jollychain.server.account;

import java.time.OffsetDateTime;
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
   * @param lockedUntil empty where it is not locked
   */
  record AtTheDoor(
      String login,
      Role role,
      String password,
      int failures,
      @Nullable OffsetDateTime lockedUntil,
      boolean retired) {}

  void failed(@Param("login") String login, @Param("until") @Nullable OffsetDateTime until);

  void succeeded(String login);

  /** Two who would both be the first take turns. */
  void lock();

  int insertIfNew(
      @Param("person") Person person,
      @Param("password") String password,
      @Param("stamp") Stamp stamp);

  int update(@Param("person") Person person, @Param("stamp") Stamp stamp);

  void password(
      @Param("login") String login,
      @Param("password") String password,
      @Param("stamp") Stamp stamp);

  /** The same password, hashed as is now usual. */
  void rehash(@Param("login") String login, @Param("password") String password);

  int leads();
}
