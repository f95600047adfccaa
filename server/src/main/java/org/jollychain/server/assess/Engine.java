package org.jollychain.server.assess;

import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.sheet.Sheet;

/** What judges and plans for one sheet, with all it has learnt of it. */
public record Engine(Diagnosis diagnosis, Planner planner) {

  Engine(Diagnosis diagnosis) {
    this(diagnosis, new Planner(diagnosis));
  }

  /** How much it will keep: the square of the parts. */
  int weight() {
    int parts = sheet().parts().size();
    return parts * parts;
  }

  public Sheet sheet() {
    return diagnosis.sheet();
  }
}
