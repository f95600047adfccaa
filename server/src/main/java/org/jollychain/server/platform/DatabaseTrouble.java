package org.jollychain.server.platform;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.sql.SQLTransientException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.TransactionSystemException;

/** What is the matter with the database, by the classes of PostgreSQL's appendix A. */
final class DatabaseTrouble {

  private static final String AWAY =
      "The database is away; ./jolly demo or ./jolly start starts it again.";
  private static final String BUSY = "The database is busy with other requests.";
  private static final String FULL =
      "The database has no room left; make room on its disk, it goes on by itself.";
  private static final String CANNOT_WRITE =
      "The database cannot write just now; look at its log and its disk.";

  private DatabaseTrouble() {}

  /**
   * What is the matter with the database behind a failure; nothing where it is of another kind.
   * Where even the rollback failed, what went wrong first is told, if that was the database too.
   */
  static Optional<String> behind(@Nullable Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      Optional<String> trouble =
          cause instanceof TransactionSystemException t && t.getOriginalException() != null
              ? behind(t.getOriginalException())
              : of(cause);
      if (trouble.isPresent()) {
        return trouble;
      }
    }
    return Optional.empty();
  }

  private static Optional<String> of(Throwable failure) {
    if (!(failure instanceof SQLException e)) {
      return Optional.empty();
    }
    String state = e.getSQLState() == null ? "" : e.getSQLState();
    if (e instanceof SQLTransientConnectionException && e.getCause() == null) {
      // the pool has waited in vain, though connections can be made
      return Optional.of(BUSY);
    }
    // 08 a lost connection, 57P a server that shuts down or starts, none where the pool closed it
    if (state.startsWith("08") || state.startsWith("57P") || state.isEmpty()) {
      return Optional.of(AWAY);
    }
    // 53300 too many connections, 40 and 55P03 others were in the way
    if (state.equals("53300") || state.startsWith("40") || state.equals("55P03")) {
      return Optional.of(BUSY);
    }
    // 53 out of disk or memory
    if (state.startsWith("53")) {
      return Optional.of(FULL);
    }
    // 58 the system under it, 25006 read only
    if (state.startsWith("58") || state.equals("25006")) {
      return Optional.of(CANNOT_WRITE);
    }
    return e instanceof SQLTransientException ? Optional.of(AWAY) : Optional.empty();
  }
}
