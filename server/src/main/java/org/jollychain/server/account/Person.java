package org.jollychain.server.account;

import org.jollychain.server.platform.Role;

/**
 * Somebody who may sign in.
 *
 * @param login what is typed to sign in, and what writes are stamped with
 * @param retired whether they may no longer
 */
public record Person(String login, String name, Role role, boolean retired, int version) {}
