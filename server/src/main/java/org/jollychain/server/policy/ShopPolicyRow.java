package org.jollychain.server.policy;

/** The shop's policy as kept, in JSON. */
record ShopPolicyRow(String policy, int version) {}
