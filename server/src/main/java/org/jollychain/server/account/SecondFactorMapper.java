package org.jollychain.server.account;

import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface SecondFactorMapper {

  boolean required();

  void require(@Param("required") boolean required, @Param("stamp") Stamp stamp);

  /** Keeps a secret that is not asked for yet; none where one is. */
  int begin(@Param("login") String login, @Param("secret") String secret);

  /** The secret that is not asked for yet. */
  Optional<String> begun(String login);

  /** The secret that is asked for. */
  Optional<String> secret(String login);

  /** Spends a time step; 0 where it or a later one was spent already. */
  int use(@Param("login") String login, @Param("step") long step);

  void confirm(@Param("login") String login, @Param("stamp") Stamp stamp);

  void takeOff(@Param("login") String login, @Param("stamp") Stamp stamp);

  void recovery(@Param("login") String login, @Param("hash") String hash);

  int useRecovery(@Param("login") String login, @Param("hash") String hash);

  void forgetRecovery(String login);
}
