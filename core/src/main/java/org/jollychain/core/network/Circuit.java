package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Behaviour;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;
import org.jollychain.core.sheet.Winding;

/**
 * A drawn unit in one situation as branches between numbered nodes.
 *
 * <p>With the supply on, it is the circuit at supply frequency with hot loads; with the supply off,
 * the cold circuit at direct current, as an ohmmeter meets it. A closed contact is a small
 * log-normal resistance, an open one an insulation resistance; stray capacitance ties every point
 * to the case and the two points of every part to each other. The supply is a star: one source and
 * half the source impedance to each terminal, its star point tied to earth where the sheet says so.
 */
public final class Circuit {

  /** Insulation of an open contact, a lifted wire or a pulled plug (ohm); any meter shows OL. */
  static final double OPEN_OHMS = 1e9;

  /** Median of a closed contact (ohm): common practice, no source. */
  static final double CONTACT_OHMS = 0.017;

  /** No source is ideal; without this a loop of two of them would have no solution. */
  private static final double SMALLEST_SOURCE_OHMS = 1e-6;

  private static final double CONTACT_LOG_SD = 0.38;
  private static final double SOURCE_LOG_SD = 0.7;
  private static final double STRAY_LOG_SD = 0.5;
  private static final double LEG_IMBALANCE = 0.004;
  private static final double TRANSFORMER_TOLERANCE = 0.14;

  /** How far the copper of a winding is off (a share); common practice, no source. */
  private static final double COPPER_SD = 0.05;

  /** A glowing element resists a little more than a cold one: common practice, no source. */
  private static final double HOT_FACTOR = 1.03;

  private final Sheet sheet;
  private final Situation situation;
  private final ParameterSample draw;
  private final Map<String, Integer> nodes = new LinkedHashMap<>();
  private final List<Branch> branches = new ArrayList<>();
  private final List<Stray> strays = new ArrayList<>();
  private final List<Mutual> mutuals = new ArrayList<>();
  private final int star;
  private final int earth;

  /** A capacitance between two nodes (F). */
  public record Stray(int from, int to, double farads) {}

  /** What a current in either of two branches adds to the voltage of the other (ohm). */
  public record Mutual(int branch, int other, Complex ohms) {}

  public Circuit(Sheet sheet, Situation situation, ParameterSample draw) {
    this.sheet = sheet;
    this.situation = situation;
    this.draw = draw;
    for (String point : sheet.points().keySet()) {
      nodes.put(point, nodes.size());
    }
    star = nodes.size();
    String earthPoint = sheet.supply().terminals().get("earth");
    earth = earthPoint == null ? star + 1 : nodes.get(earthPoint);
    addSupply(sheet.supply());
    for (Part part : sheet.parts().values()) {
      branches.add(
          new Branch(
              part.id(), nodes.get(part.from()), nodes.get(part.to()), ohms(part), Complex.ZERO));
    }
    addMutuals();
    addStrays();
    tieIslands();
  }

  int nodeCount() {
    return Math.max(star, earth) + 1;
  }

  /** The node that is at zero volts. */
  public int earth() {
    return earth;
  }

  public Map<String, Integer> nodes() {
    return nodes;
  }

  public List<Branch> branches() {
    return branches;
  }

  public List<Stray> strays() {
    return strays;
  }

  public List<Mutual> mutuals() {
    return mutuals;
  }

  /** Angular frequency (rad/s); 0 where the circuit is met by direct current. */
  public double radiansPerSecond() {
    return situation.supplyOn() ? 2 * Math.PI * sheet.supply().hertz() : 0;
  }

  private void addSupply(Supply supply) {
    double volts =
        situation.supplyOn() ? draw.normal("supply", supply.volts(), tolerance(supply) / 2) : 0;
    double conductor =
        Math.max(
            SMALLEST_SOURCE_OHMS,
            draw.logNormal(Network.SOURCE_OHMS, supply.sourceOhms(), SOURCE_LOG_SD) / 2);
    boolean connected =
        situation.supplyOn() || supply.system() == SupplySystem.TRANSFORMER || supply.dc();
    Complex ohms = Complex.of(connected ? conductor : OPEN_OHMS);
    Map<String, Complex> emfs = emfs(supply, volts);
    for (String terminal : supply.currentTerminals()) {
      branches.add(
          new Branch(
              Supply.conductor(terminal),
              star,
              nodes.get(supply.terminals().get(terminal)),
              ohms,
              emfs.getOrDefault(terminal, Complex.ZERO)));
    }
    if (supply.bonded().isPresent()) {
      branches.add(new Branch(Supply.conductor("earth"), star, earth, ohms, Complex.ZERO));
    }
  }

  /** A control transformer stands a tenth above its nominal volts when it is hardly loaded. */
  private static double tolerance(Supply supply) {
    return supply.system() == SupplySystem.TRANSFORMER
        ? Math.max(supply.tolerance(), TRANSFORMER_TOLERANCE)
        : supply.tolerance();
  }

  /** The source of each terminal against the star point. */
  private Map<String, Complex> emfs(Supply supply, double volts) {
    double tilt = LEG_IMBALANCE * draw.deviate("legs");
    return switch (supply.system()) {
      case SPLIT_PHASE ->
          Map.of(
              "line1",
              Complex.of(volts / 2 * (1 + tilt)),
              "line2",
              Complex.of(-volts / 2 * (1 - tilt)));
      case WYE_PAIR -> {
        double leg = volts / Math.sqrt(3);
        yield Map.of(
            "line1", Complex.of(leg * (1 + tilt)),
            "line2", Complex.polar(leg * (1 - tilt), -2 * Math.PI / 3));
      }
      case SINGLE_PHASE, TRANSFORMER, DC -> {
        String outward = supply.system().outward();
        boolean starIsOutward = supply.bonded().filter(outward::equals).isPresent();
        yield starIsOutward
            ? Map.of(supply.system().homeward(), Complex.of(-volts))
            : Map.of(outward, Complex.of(volts));
      }
    };
  }

  /**
   * A transformer inside the unit: its windings share a flux, so a current in one induces a voltage
   * in the other, by the ratio of turns n: Z12 = n Z11 and Z22 = n^2 Z11 + what the secondary drops
   * by itself. With direct current nothing is shared.
   */
  private void addMutuals() {
    if (radiansPerSecond() == 0) {
      return;
    }
    for (Part part : sheet.parts().values()) {
      if (part.behaviour() instanceof Behaviour.Source source) {
        int primary = branchOf(source.winding().primary());
        Complex mutual = branches.get(primary).ohms().times(source.winding().ratio());
        mutuals.add(new Mutual(branchOf(part.id()), primary, mutual));
      }
    }
  }

  private int branchOf(String part) {
    for (int k = 0; k < branches.size(); k++) {
      if (branches.get(k).id().equals(part)) {
        return k;
      }
    }
    throw new IllegalArgumentException("no branch \"%s\"".formatted(part));
  }

  private void addStrays() {
    double common = draw.logNormal("strays", 1, STRAY_LOG_SD);
    for (Map.Entry<String, Integer> point : nodes.entrySet()) {
      double own = draw.logNormal("stray:" + point.getKey(), common, STRAY_LOG_SD);
      strays.add(new Stray(point.getValue(), earth, own * sheet.strays().toCaseFarads()));
    }
    for (Part part : sheet.parts().values()) {
      strays.add(
          new Stray(
              nodes.get(part.from()),
              nodes.get(part.to()),
              common * sheet.strays().toNeighboursFarads()));
    }
  }

  /**
   * A part of the circuit that nothing joins to earth is tied to it by what insulation there is, so
   * that its potentials mean something and ohms from it to the rest read OL.
   */
  private void tieIslands() {
    int[] island = new int[nodeCount()];
    Arrays.setAll(island, i -> i);
    branches.forEach(b -> join(island, b.from(), b.to()));
    if (radiansPerSecond() > 0) {
      strays.forEach(s -> join(island, s.from(), s.to()));
    }
    for (int node = 0; node < island.length; node++) {
      if (root(island, node) != root(island, earth)) {
        branches.add(
            new Branch("island:" + node, node, earth, Complex.of(OPEN_OHMS), Complex.ZERO));
        join(island, node, earth);
      }
    }
  }

  private static void join(int[] island, int a, int b) {
    island[root(island, a)] = root(island, b);
  }

  private static int root(int[] island, int i) {
    int at = i;
    while (island[at] != at) {
      // halves the way for who comes next
      island[at] = island[island[at]];
      at = island[at];
    }
    return at;
  }

  private Complex ohms(Part part) {
    if (part.behaviour() instanceof Behaviour.Contact link) {
      boolean open = part.stateIn(situation) == ContactState.OPEN;
      double closed = link.ohms().orElse(CONTACT_OHMS);
      double contact = draw.logNormal("contact:" + part.id(), closed, CONTACT_LOG_SD);
      return Complex.of(open ? OPEN_OHMS : contact);
    }
    if (part.behaviour() instanceof Behaviour.Source source) {
      return windingOhms(part.id(), source.winding());
    }
    // the fed windings of a transformer go together, so a primary has no spread of its own
    boolean spread = radiansPerSecond() == 0 || !part.kind().is(PartKind.Trait.WOUND);
    double band = part.behaviour().tolerance();
    double own = spread ? draw.normal("load:" + part.id(), 1, band / 2) : 1;
    return part.load()
        .map(rating -> loadOhms(part.kind(), rating))
        .or(() -> part.curve().map(c -> Complex.of(c.ohmsAt(situation.celsiusAt(part.feels())))))
        .map(ohms -> ohms.times(own))
        .orElse(Complex.of(OPEN_OHMS));
  }

  private Complex windingOhms(String id, Winding winding) {
    if (radiansPerSecond() == 0) {
      return Complex.of(draw.normal("load:" + id, winding.windingOhms(), COPPER_SD));
    }
    LoadRating primary = sheet.part(winding.primary()).load().orElseThrow();
    Complex magnetising = loadOhms(sheet.part(winding.primary()).kind(), primary);
    return magnetising.times(winding.ratio() * winding.ratio()).plus(Complex.of(winding.ohms()));
  }

  private Complex loadOhms(PartKind kind, LoadRating rating) {
    double hot = situation.supplyOn() && kind.is(PartKind.Trait.GLOWS) ? HOT_FACTOR : 1;
    if (situation.supplyOn() && sheet.supply().hertz() > 0) {
      return Complex.polar(rating.ohms() * hot, Math.acos(rating.powerFactor()));
    }
    return Complex.of(rating.windingOhms().orElse(rating.ohms() * rating.powerFactor() * hot));
  }
}
