package org.jollychain.core.sheet;

import org.jollychain.core.quantity.Kebab;

/** The kind of unit a sheet describes. */
public enum Family {
  DRYER_ELECTRIC,
  DRYER_GAS,
  RANGE,
  WATER_HEATER_STORAGE,
  WATER_HEATER_INSTANT,
  AUTOCLAVE,
  HEAT_KIT,
  FURNACE_24V,
  MILLIVOLT_HEATER,
  DISHWASHER,
  MICROWAVE,
  OTHER;

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
