package org.jollychain.server.policy;

import org.jollychain.server.platform.RefusedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps how the shop works; a new job starts with it. */
@Service
public class PolicyService {

  private final PolicyMapper policies;
  private final JsonMapper json;

  PolicyService(PolicyMapper policies, JsonMapper json) {
    this.policies = policies;
    this.json = json;
  }

  public ShopPolicy shop() {
    ShopPolicyRow row = policies.shop();
    return new ShopPolicy(PolicyItem.of(row.policy(), json), row.version());
  }

  /**
   * @throws RefusedException when it was changed meanwhile
   */
  @Transactional
  public ShopPolicy keep(ShopPolicy wanted) {
    if (policies.keep(json.writeValueAsString(wanted.policy()), wanted.version()) == 0) {
      ShopPolicy now = shop();
      if (now.version() == wanted.version() + 1
          && now.policy().equals(wanted.policy().complete())) {
        return now;
      }
      throw RefusedException.conflict(
          "The shop's policy was changed meanwhile; look at it again and repeat.");
    }
    return shop();
  }
}
