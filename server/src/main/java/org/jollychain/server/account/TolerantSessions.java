package org.jollychain.server.account;

import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;

/**
 * Sessions of the database that do not stand in the way of reading: when a session was used last is
 * noted where the database can write, and where it cannot (its disk is full) the request is
 * answered all the same. A new session that is not kept is still an error.
 */
class TolerantSessions<S extends Session> implements FindByIndexNameSessionRepository<S> {

  private static final Logger LOG = LoggerFactory.getLogger(TolerantSessions.class);

  private final FindByIndexNameSessionRepository<S> kept;

  /** Begun here, and not kept yet. */
  private final Set<String> begun = ConcurrentHashMap.newKeySet();

  TolerantSessions(FindByIndexNameSessionRepository<S> kept) {
    this.kept = kept;
  }

  @Override
  public S createSession() {
    S session = kept.createSession();
    begun.add(session.getId());
    return session;
  }

  @Override
  public void save(S session) {
    try {
      kept.save(session);
    } catch (DataAccessException e) {
      if (begun.contains(session.getId())) {
        throw e;
      }
      LOG.warn("when a session was used was not noted: {}", e.getMessage());
    } finally {
      begun.remove(session.getId());
    }
  }

  @Override
  public S findById(String id) {
    return kept.findById(id);
  }

  @Override
  public void deleteById(String id) {
    kept.deleteById(id);
  }

  @Override
  public Map<String, S> findByIndexNameAndIndexValue(String indexName, String indexValue) {
    return kept.findByIndexNameAndIndexValue(indexName, indexValue);
  }
}
