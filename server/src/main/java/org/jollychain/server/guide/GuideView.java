package org.jollychain.server.guide;

import java.util.Map;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;

/** What of a guide is weighed: causes, the checks that tell them apart, what puts them right. */
record GuideView(
    String key,
    String title,
    String notes,
    Map<String, Cause> causes,
    Map<String, Check> checks,
    Map<String, Guide.Action> actions,
    Map<String, Guide.Prevention> prevention) {

  static GuideView of(Guide guide) {
    return new GuideView(
        guide.key(),
        guide.title(),
        guide.notes(),
        guide.causes(),
        guide.checks(),
        guide.actions(),
        guide.prevention());
  }
}
