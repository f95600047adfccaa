package org.jollychain.server.account;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import org.apache.commons.codec.digest.DigestUtils;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Stamps;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;

/** The sessions there are: a person's own as a list, and which of some are still open. */
@Service
public class SessionsService {

  /** What a session was begun on, in a word or two. */
  static final String DEVICE = "device";

  /** Where it was begun from, in figures. */
  static final String ADDRESS = "address";

  private final FindByIndexNameSessionRepository<? extends Session> sessions;
  private final SessionMapper mapper;
  private final PersonMapper people;
  private final Stamps stamps;

  SessionsService(
      FindByIndexNameSessionRepository<? extends Session> sessions,
      SessionMapper mapper,
      PersonMapper people,
      Stamps stamps) {
    this.sessions = sessions;
    this.mapper = mapper;
    this.people = people;
    this.stamps = stamps;
  }

  /**
   * One of one's own sessions.
   *
   * @param id by which it can be ended; it lets nobody in
   * @param here whether it is the one that asks
   */
  record OwnSession(
      String id,
      String device,
      String address,
      OffsetDateTime since,
      OffsetDateTime lastUsed,
      boolean here) {}

  /**
   * The sessions of whoever asks, the one used last first.
   *
   * @param here id of the session that asks
   */
  List<OwnSession> own(String here) {
    return sessions.findByPrincipalName(stamps.now().by()).values().stream()
        .map(
            s ->
                new OwnSession(
                    told(s.getId()),
                    s.getAttributeOrDefault(DEVICE, ""),
                    s.getAttributeOrDefault(ADDRESS, ""),
                    OffsetDateTime.ofInstant(s.getCreationTime(), ZoneOffset.UTC),
                    OffsetDateTime.ofInstant(s.getLastAccessedTime(), ZoneOffset.UTC),
                    s.getId().equals(here)))
        .sorted(Comparator.comparing(OwnSession::lastUsed).reversed())
        .toList();
  }

  /**
   * Ends one of one's own.
   *
   * @param told its id as {@link #own} tells it
   * @throws RefusedException when there is no such session
   */
  void end(String told) {
    String id =
        sessions.findByPrincipalName(stamps.now().by()).keySet().stream()
            .filter(s -> told(s).equals(told))
            .findFirst()
            .orElseThrow(() -> RefusedException.notFound("That session is over."));
    sessions.deleteById(id);
  }

  /** Ends all sessions of somebody, those too that are just being begun. */
  void endAll(String login) {
    people.nextEpoch(login);
    sessions.findByPrincipalName(login).keySet().forEach(sessions::deleteById);
  }

  /** Those of some sessions that are open still. */
  public Set<String> open(Collection<String> ids) {
    return ids.isEmpty() ? Set.of() : mapper.open(ids.toArray(String[]::new));
  }

  private static String told(String id) {
    return DigestUtils.sha256Hex(id).substring(0, 16);
  }
}
