package org.jollychain.server.policy;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;

/**
 * How the shop works unless a job says otherwise.
 *
 * @param version of it as it was seen
 */
public record ShopPolicy(@NotNull @Valid PolicyItem policy, int version) {}
