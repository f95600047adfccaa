package org.jollychain.core.sheet;

import java.util.List;

/**
 * What a customer may see of this unit.
 *
 * @param situation in which it is seen
 * @param runs loads that run
 * @param notRunning loads that do not
 */
public record Complaint(
    String id, String title, String situation, List<String> runs, List<String> notRunning) {}
