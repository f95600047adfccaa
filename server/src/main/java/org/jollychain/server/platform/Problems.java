package org.jollychain.server.platform;

import java.sql.SQLException;
import java.sql.SQLTransientException;
import java.util.List;
import java.util.Map;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.sheet.InvalidSheetException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Every error as a problem detail (RFC 9457) that says where it is and what would be right. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {

  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @ExceptionHandler
  ProblemDetail refused(RefusedException e) {
    return ProblemDetail.forStatusAndDetail(e.status(), e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail evidence(EvidenceException e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, e.getMessage());
    problem.setTitle("This cannot be evidence");
    problem.setProperty("field", e.field());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail sheet(InvalidSheetException e) {
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.UNPROCESSABLE_CONTENT, e.problems().get(0).toString());
    problem.setTitle(
        e.problems().size() == 1
            ? "The sheet has a problem"
            : "The sheet has %d problems".formatted(e.problems().size()));
    problem.setProperty("problems", e.problems());
    return problem;
  }

  @ExceptionHandler
  ProblemDetail tooLarge(BodyLimit.TooLargeException e) {
    return ProblemDetail.forStatusAndDetail(HttpStatus.CONTENT_TOO_LARGE, e.getMessage());
  }

  @ExceptionHandler
  ProblemDetail other(Exception e) {
    // where even the rollback failed, what went wrong first is told
    boolean twice = e instanceof TransactionSystemException t && t.getOriginalException() != null;
    Throwable first = twice ? ((TransactionSystemException) e).getOriginalException() : e;
    for (Throwable cause = first; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLTransientException
          || cause instanceof SQLException s && connectionLost(s)) {
        LOG.warn("the database is away: {}", cause.getMessage());
        return ProblemDetail.forStatusAndDetail(
            HttpStatus.SERVICE_UNAVAILABLE,
            "The database is away. Nothing was saved; start it again with ./jolly demo or ./jolly start, then repeat.");
      }
      if (cause instanceof BodyLimit.TooLargeException large) {
        return tooLarge(large);
      }
    }
    LOG.error("unexpected", e);
    return ProblemDetail.forStatusAndDetail(
        HttpStatus.INTERNAL_SERVER_ERROR, "Something went wrong here; it is in the log.");
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof BodyLimit.TooLargeException large) {
        return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).body(tooLarge(large));
      }
    }
    ProblemDetail problem =
        ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, notReadable(e));
    problem.setTitle("The body cannot be read");
    return ResponseEntity.badRequest().headers(headers).body(problem);
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

  private static String notReadable(HttpMessageNotReadableException e) {
    if (e.getCause() instanceof UnrecognizedPropertyException unknown) {
      return "\"%s\" is not a key here; known keys: %s"
          .formatted(unknown.getPropertyName(), unknown.getKnownPropertyIds());
    }
    if (e.getCause() instanceof DatabindException wrong && !wrong.getPath().isEmpty()) {
      String field = wrong.getPath().get(wrong.getPath().size() - 1).getPropertyName();
      return "\"%s\" has the wrong form: %s".formatted(field, wrong.getOriginalMessage());
    }
    if (e.getCause() instanceof JacksonException json) {
      TokenStreamLocation at = json.getLocation();
      String where =
          at == null ? "" : " at line %d, column %d".formatted(at.getLineNr(), at.getColumnNr());
      return "this is no JSON%s: %s".formatted(where, json.getOriginalMessage());
    }
    return "a JSON body is needed";
  }

  /** Class 08 is a lost connection, 57P a server that shuts down (PostgreSQL, appendix A). */
  private static boolean connectionLost(SQLException e) {
    String state = e.getSQLState();
    return state != null && (state.startsWith("08") || state.startsWith("57P"));
  }
}
