package org.jollychain.server.account;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jollychain.server.platform.Role;

/**
 * A script's way in, without its secret.
 *
 * @param title what writes by it are stamped with
 * @param endsAt from when it lets nobody in
 */
public record ApiToken(
    UUID id, String title, Role role, OffsetDateTime endsAt, boolean revoked, String createdBy) {}
