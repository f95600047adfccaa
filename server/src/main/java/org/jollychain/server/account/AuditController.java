package org.jollychain.server.account;

import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Who changed what, a hundred lines at a time. */
@RestController
class AuditController {

  private final AuditService audit;

  AuditController(AuditService audit) {
    this.audit = audit;
  }

  /**
   * @param before lines older than this one; the latest where left out
   */
  @GetMapping(path = "/api/audit", produces = MediaType.APPLICATION_JSON_VALUE)
  List<AuditLine> lines(
      @RequestParam(defaultValue = "") String subject,
      @RequestParam(defaultValue = "") String key,
      @RequestParam(defaultValue = "") String by,
      @RequestParam(defaultValue = "9223372036854775807") long before) {
    return audit.lines(subject, key, by, before);
  }
}
