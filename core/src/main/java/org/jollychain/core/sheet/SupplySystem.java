package org.jollychain.core.sheet;

import java.util.List;
import org.jollychain.core.quantity.Kebab;

/** How the unit is fed. */
public enum SupplySystem {
  SPLIT_PHASE("line1", "line2", "neutral", "earth"),
  SINGLE_PHASE("line1", "neutral", "earth"),
  WYE_PAIR("line1", "line2", "neutral", "earth"),
  TRANSFORMER("line1", "neutral", "earth"),
  DC("plus", "minus", "earth");

  private final List<String> terminals;

  SupplySystem(String... terminals) {
    this.terminals = List.of(terminals);
  }

  /**
   * The terminals it may have, in the order they are listed; only earth and neutral may be left
   * out.
   */
  public List<String> terminals() {
    return terminals;
  }

  /**
   * The terminals that carry the nominal voltage between them: the first two, or line and return.
   */
  public String outward() {
    return terminals.get(0);
  }

  public String homeward() {
    return terminals.get(1);
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
