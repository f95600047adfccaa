package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SensorCurveTest {

  /** IEC 60751, table of Pt100; -100 C from memory. */
  @ParameterizedTest
  @CsvSource({"0, 100.00", "100, 138.51", "200, 175.86", "-100, 60.26"})
  void platinum_follows_the_standard(double celsius, double ohms) {
    assertThat(new SensorCurve.Platinum(100).ohmsAt(celsius)).isCloseTo(ohms, within(0.006));
  }

  @Test
  void a_table_is_met_at_its_points_and_falls_between_them() {
    SensorCurve curve =
        new SensorCurve.Table(
            List.of(new SensorCurve.TablePoint(5, 24_100), new SensorCurve.TablePoint(25, 9_900)));
    assertThat(curve.ohmsAt(25)).isCloseTo(9_900, within(1e-6));
    assertThat(curve.ohmsAt(15)).isBetween(9_900.0, 24_100.0);
    assertThat(curve.ohmsAt(-20)).isCloseTo(24_100, within(1e-6));
  }
}
