package org.jollychain.core.sheet;

import java.util.List;

/**
 * What the unit shows of itself when something is wrong.
 *
 * @param id as displayed, e.g. {@code E4}
 * @param when the state of the loads that brings it up, where the sheet says one
 * @param suspects parts whose fault brings it up whatever runs, such as a sensor the control
 *     watches
 */
public record Code(String id, String title, Complaint when, List<String> suspects) {

  /** Whether loads bring it up at all. */
  public boolean watchesLoads() {
    return !when.runs().isEmpty() || !when.notRunning().isEmpty();
  }
}
