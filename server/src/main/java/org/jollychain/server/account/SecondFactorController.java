package org.jollychain.server.account;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The second factor: one's own, and whether the shop asks everybody for one. */
@RestController
@RequestMapping(produces = MediaType.APPLICATION_JSON_VALUE)
class SecondFactorController {

  private static final String OWN = WebSecurity.SESSION + "/factor";
  private static final String RULE = "/api/second-factor";

  private final SecondFactorService factors;
  private final PeopleService people;
  private final Stamps stamps;

  SecondFactorController(SecondFactorService factors, PeopleService people, Stamps stamps) {
    this.factors = factors;
    this.people = people;
    this.stamps = stamps;
  }

  /** What the device shows. */
  record FactorCode(@NotBlank @Size(max = 20) String code) {}

  /** One's own password. */
  record PresentPassword(@NotBlank @Size(max = 200) String present) {}

  /** Each lets in once, where the device is lost; told this once. */
  record RecoveryCodes(List<String> codes) {}

  /** Whether everybody needs a second factor. */
  record FactorRule(boolean secondFactor) {}

  /** A secret for one's own device; asked for once a code has proved it. */
  @PostMapping(OWN)
  SecondFactorService.FactorSetup begin() {
    return factors.begin(me());
  }

  @PutMapping(path = OWN, consumes = MediaType.APPLICATION_JSON_VALUE)
  RecoveryCodes confirm(@RequestBody @Valid FactorCode typed) {
    return new RecoveryCodes(factors.confirm(me(), typed.code()));
  }

  @PutMapping(path = OWN + "/off", consumes = MediaType.APPLICATION_JSON_VALUE)
  void takeOff(@RequestBody @Valid PresentPassword typed) {
    people.takeOffMyFactor(typed.present());
  }

  @GetMapping(RULE)
  FactorRule rule() {
    return new FactorRule(factors.required());
  }

  @PutMapping(path = RULE, consumes = MediaType.APPLICATION_JSON_VALUE)
  FactorRule require(@RequestBody @Valid FactorRule rule) {
    factors.require(rule.secondFactor());
    return rule();
  }

  private String me() {
    Stamp now = stamps.now();
    now.require(Role.VIEWER, "A second factor of one's own");
    return people.found(now.by()).login();
  }
}
