package org.jollychain.server.account;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Who is signed in, and who may be by a click.
 *
 * @param me empty where nobody is
 * @param byClick the demo station's people, where a click is enough
 * @param needsLead whether this library has no lead yet
 */
record SessionView(@Nullable Person me, List<Person> byClick, boolean needsLead) {}
