package org.jollychain.server.platform;

import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;

/** A problem detail (RFC 9457) where no converter is at hand yet: in a filter, in the container. */
final class PlainProblem {

  private PlainProblem() {}

  /**
   * @param detail words of ours, nothing that was sent
   */
  static byte[] json(int status, String detail) {
    HttpStatus known = HttpStatus.resolve(status);
    String title = known == null ? "Error" : known.getReasonPhrase();
    return "{\"type\":\"about:blank\",\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}"
        .formatted(title, status, detail)
        .getBytes(StandardCharsets.UTF_8);
  }
}
