package org.jollychain.server.platform;

/** Thrown when there is no room for more work just now; the same may be asked again soon. */
public final class BusyException extends RuntimeException {

  public BusyException(String message) {
    super(message);
  }
}
