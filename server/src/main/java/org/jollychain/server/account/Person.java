package org.jollychain.server.account;

import org.jollychain.server.platform.Role;

/**
 * Somebody who may sign in.
 *
 * @param login what is typed to sign in, and what writes are stamped with
 * @param retired whether they may no longer
 * @param secondFactor whether a code is asked for beside the password
 */
public record Person(
    String login, String name, Role role, boolean retired, int version, boolean secondFactor) {

  /** Somebody who begins. */
  public static Person of(String login, String name, Role role) {
    return new Person(login, name, role, false, 1, false);
  }
}
