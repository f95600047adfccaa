package org.jollychain.server.policy;

import jakarta.validation.Valid;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(path = "/api/policy", produces = MediaType.APPLICATION_JSON_VALUE)
class PolicyController {

  private final PolicyService policies;

  PolicyController(PolicyService policies) {
    this.policies = policies;
  }

  @GetMapping
  ShopPolicy shop() {
    return policies.shop();
  }

  @PutMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
  ShopPolicy keep(@RequestBody @Valid ShopPolicy policy) {
    return policies.keep(policy);
  }
}
