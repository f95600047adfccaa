package org.jollychain.server.account;

import java.util.List;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamps;
import org.springframework.stereotype.Service;

/** Who changed what. The database writes it; nothing here can. */
@Service
public class AuditService {

  /** So many lines to a page. */
  private static final int PAGE = 100;

  private final AuditMapper audit;
  private final Stamps stamps;

  AuditService(AuditMapper audit, Stamps stamps) {
    this.audit = audit;
    this.stamps = stamps;
  }

  /** What was changed last of a thing, and by whom, in words for whoever meant to change it too. */
  public String lastChange(String subject, String key) {
    return audit.lines(subject, key, "", Long.MAX_VALUE, 1).stream()
        .findFirst()
        .map(l -> (l.by().isEmpty() ? "" : " by " + l.by()) + ": " + l.told())
        .orElse("");
  }

  /** The latest first. */
  List<AuditLine> lines(String subject, String key, String by, long before) {
    stamps.now().require(Role.LEAD, "Who changed what");
    return audit.lines(subject, key, by, before, PAGE);
  }
}
