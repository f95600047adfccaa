package org.jollychain.server.account;

import java.util.List;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamps;
import org.springframework.stereotype.Service;

/** Who changed what. The database writes it; nothing here can. */
@Service
class AuditService {

  /** So many lines to a page. */
  private static final int PAGE = 100;

  private final AuditMapper audit;
  private final Stamps stamps;

  AuditService(AuditMapper audit, Stamps stamps) {
    this.audit = audit;
    this.stamps = stamps;
  }

  /** The latest first. */
  List<AuditLine> lines(String subject, String key, String by, long before) {
    stamps.now().require(Role.LEAD, "Who changed what");
    return audit.lines(subject, key, by, before, PAGE);
  }
}
