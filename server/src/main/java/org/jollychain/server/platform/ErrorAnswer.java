package org.jollychain.server.platform;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the container or a filter refuses is answered in the same form as all else. */
@Hidden
@RestController
class ErrorAnswer implements ErrorController {

  static final String UNREADABLE = "The request cannot be read: check its address and its headers.";

  @RequestMapping("/error")
  ResponseEntity<ProblemDetail> answer(HttpServletRequest request) {
    Optional<String> trouble = trouble(request);
    if (trouble.isPresent()) {
      return answer(HttpStatus.SERVICE_UNAVAILABLE, trouble.get() + " Try again.");
    }
    Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    HttpStatus known = code instanceof Integer c ? HttpStatus.resolve(c) : HttpStatus.NOT_FOUND;
    HttpStatus status = known == null ? HttpStatus.BAD_REQUEST : known;
    String detail =
        switch (status) {
          case TOO_MANY_REQUESTS -> "Too much at once; wait a few seconds and send it again.";
          case UNAUTHORIZED -> "Sign in first.";
          case FORBIDDEN -> forbidden(request);
          case NOT_FOUND -> "There is nothing here.";
          default -> status.is5xxServerError() ? Problems.UNEXPECTED : UNREADABLE;
        };
    return answer(status, detail);
  }

  private static ResponseEntity<ProblemDetail> answer(HttpStatus status, String detail) {
    return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, detail));
  }

  /** Who is signed in stands in the database, too. */
  private static Optional<String> trouble(HttpServletRequest request) {
    return request.getAttribute(RequestDispatcher.ERROR_EXCEPTION) instanceof Throwable thrown
        ? DatabaseTrouble.behind(thrown)
        : Optional.empty();
  }

  private static String forbidden(HttpServletRequest request) {
    Object why = request.getAttribute(RequestDispatcher.ERROR_MESSAGE);
    return why instanceof String w && !w.isEmpty()
        ? w
        : "Jolly Chain answers its own pages on this machine only.";
  }
}
