package org.jollychain.server.platform;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.partcheck.InvalidInputsException;
import org.jollychain.core.text.InvalidTextException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Every error as a problem detail (RFC 9457) that says where it is and what would be right. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

  static final String UNEXPECTED = "Something went wrong here; it is in the log.";

  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @ExceptionHandler
  ProblemDetail refused(RefusedException e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(e.status(), UnreadableBody.readable(e.getMessage()));
    if (!e.changes().isEmpty()) {
      problem.setProperty("changes", e.changes());
    }
    if (!e.needs().isEmpty()) {
      problem.setProperty("needs", e.needs());
    }
    return problem;
  }

  @ExceptionHandler
  ProblemDetail evidence(EvidenceException e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.UNPROCESSABLE_CONTENT, UnreadableBody.readable(e.getMessage()));
    problem.setTitle("This cannot be evidence");
    problem.setProperty("field", e.field());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail inputs(InvalidInputsException e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.UNPROCESSABLE_CONTENT, UnreadableBody.readable(e.getMessage()));
    problem.setTitle("This cannot be checked so");
    problem.setProperty("field", e.problems().get(0).field());
    problem.setProperty("problems", e.problems());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail text(InvalidTextException e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.UNPROCESSABLE_CONTENT,
            UnreadableBody.readable(e.problems().get(0).toString()));
    problem.setTitle(
        e.problems().size() == 1
            ? "The text has a problem"
            : "The text has %d problems".formatted(e.problems().size()));
    problem.setProperty("problems", e.problems());
    return problem;
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> busy(BusyException e) {
    return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
        .header(HttpHeaders.RETRY_AFTER, "2")
        .body(ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, e.getMessage()));
  }

  /** Broken percent escapes, and texts that are none. */
  @ExceptionHandler({InvalidParameterException.class, RequestRejectedException.class})
  ProblemDetail unreadable(RuntimeException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, ErrorAnswer.UNREADABLE);
  }

  @ExceptionHandler
  ProblemDetail other(Exception e, WebRequest request) {
    Optional<String> trouble = DatabaseTrouble.behind(e);
    if (trouble.isPresent()) {
      LOG.warn("the database: {}", e.getMessage());
      return ProblemDetail.forStatusAndDetail(
          HttpStatus.SERVICE_UNAVAILABLE, trouble.get() + " " + whatToDo(request));
    }
    LOG.error("unexpected", e);
    return ProblemDetail.forStatusAndDetail(HttpStatus.INTERNAL_SERVER_ERROR, UNEXPECTED);
  }

  /** A commit whose answer was lost may have been carried out; only the same id tells. */
  private static String whatToDo(WebRequest request) {
    boolean read =
        request instanceof ServletWebRequest s && s.getHttpMethod().equals(HttpMethod.GET);
    return read
        ? "Try again."
        : "Whether it was saved is not known: send it again, what was saved is not saved twice.";
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, UnreadableBody.why(e.getCause()));
    problem.setTitle("The body cannot be read");
    return ResponseEntity.badRequest().headers(headers).body(problem);
  }

  /** What the framework refuses is told in its words, as far as they are short. */
  @Override
  protected ResponseEntity<Object> createResponseEntity(
      @Nullable Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    if (body instanceof ProblemDetail problem && problem.getDetail() != null) {
      problem.setDetail(UnreadableBody.brief(problem.getDetail()));
    }
    return super.createResponseEntity(body, headers, status, request);
  }

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    List<Map<String, String>> fields =
        e.getFieldErrors().stream()
            .map(
                f ->
                    Map.of("field", f.getField(), "message", String.valueOf(f.getDefaultMessage())))
            .toList();
    String first =
        fields.isEmpty()
            ? "a field is wrong"
            : fields.get(0).get("field") + " " + fields.get(0).get("message");
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, first);
    problem.setTitle("A field is wrong");
    problem.setProperty("fields", fields);
    return ResponseEntity.badRequest().headers(headers).body(problem);
  }
}
