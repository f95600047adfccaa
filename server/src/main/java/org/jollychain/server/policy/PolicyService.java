package org.jollychain.server.policy;

import org.jollychain.server.account.AuditService;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps how the shop works; a new job starts with it. */
@Service
public class PolicyService {

  private final PolicyMapper policies;
  private final Stamps stamps;
  private final AuditService audit;

  PolicyService(PolicyMapper policies, Stamps stamps, AuditService audit) {
    this.policies = policies;
    this.stamps = stamps;
    this.audit = audit;
  }

  public ShopPolicy shop() {
    return policies.shop();
  }

  /**
   * @throws RefusedException when it was changed meanwhile
   */
  @Transactional
  public ShopPolicy keep(ShopPolicy wanted) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Changing how the shop works");
    if (policies.keep(wanted.policy(), wanted.version(), now) == 0) {
      ShopPolicy kept = shop();
      if (kept.version() == wanted.version() + 1
          && kept.policy().equals(wanted.policy().complete())) {
        return kept;
      }
      throw RefusedException.conflict(
          "The shop's policy was changed meanwhile%s; look at it again and repeat."
              .formatted(audit.lastChange("policy", "true")));
    }
    return shop();
  }
}
