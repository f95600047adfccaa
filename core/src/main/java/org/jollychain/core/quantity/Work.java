package org.jollychain.core.quantity;

import java.util.concurrent.CancellationException;

/**
 * Long work ends where its thread is interrupted: whoever asked has gone, or will wait no longer.
 */
public final class Work {

  private Work() {}

  /**
   * To be called in every loop that may be long.
   *
   * @throws CancellationException when the thread was interrupted
   */
  public static void check() {
    if (Thread.currentThread().isInterrupted()) {
      throw new CancellationException("given up");
    }
  }
}
