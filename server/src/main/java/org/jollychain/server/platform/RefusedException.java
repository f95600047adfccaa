package org.jollychain.server.platform;

import java.util.List;
import org.springframework.http.HttpStatus;

/** Thrown when a request cannot be carried out as asked; nothing of it is kept. */
public final class RefusedException extends RuntimeException {

  private final HttpStatus status;
  private final transient List<String> changes;
  private final String needs;

  private RefusedException(HttpStatus status, String message) {
    this(status, message, List.of());
  }

  private RefusedException(HttpStatus status, String message, List<String> changes) {
    this(status, message, changes, "");
  }

  private RefusedException(HttpStatus status, String message, List<String> changes, String needs) {
    super(message);
    this.status = status;
    this.changes = changes;
    this.needs = needs;
  }

  /** There is no such thing. */
  public static RefusedException notFound(String message) {
    return new RefusedException(HttpStatus.NOT_FOUND, message);
  }

  /** Nobody is let in by this. */
  public static RefusedException unauthorized(String message) {
    return new RefusedException(HttpStatus.UNAUTHORIZED, message);
  }

  /** Nobody is let in without the code of their second factor. */
  public static RefusedException codeNeeded(String message) {
    return new RefusedException(HttpStatus.UNAUTHORIZED, message, List.of(), "code");
  }

  /** It was tried too often. */
  public static RefusedException tooMany(String message) {
    return new RefusedException(HttpStatus.TOO_MANY_REQUESTS, message);
  }

  /** Whoever is at work may not. */
  public static RefusedException forbidden(String message) {
    return new RefusedException(HttpStatus.FORBIDDEN, message);
  }

  /** The state of the thing does not allow it. */
  public static RefusedException conflict(String message) {
    return new RefusedException(HttpStatus.CONFLICT, message);
  }

  /** Another changed the thing meanwhile, told by the lines of a unified diff. */
  static RefusedException changed(String message, List<String> changes) {
    return new RefusedException(HttpStatus.CONFLICT, message, changes);
  }

  /** What was sent cannot be meant. */
  public static RefusedException unprocessable(String message) {
    return new RefusedException(HttpStatus.UNPROCESSABLE_CONTENT, message);
  }

  public HttpStatus status() {
    return status;
  }

  /** It is unlikely, and is kept once it is sent as confirmed. */
  public static RefusedException toConfirm(String message) {
    return new RefusedException(HttpStatus.UNPROCESSABLE_CONTENT, message, List.of(), "confirmed");
  }

  /** What another changed, where that is the reason. */
  public List<String> changes() {
    return changes;
  }

  /** What has to be sent too, where that is the reason; empty otherwise. */
  public String needs() {
    return needs;
  }
}
