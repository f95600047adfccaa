package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.text.SourceNode;

/** Reads a part of a circuit sheet: its kind, its ends and its ratings. */
final class PartReader {

  private static final double CURVE_AT_CELSIUS = 25;

  private PartReader() {}

  static Part part(String id, SourceNode at) {
    PartKind kind = Kebab.read(PartKind.class, at.child("kind").text()).orElseThrow();
    List<String> between = at.child("between").texts();
    if (between.get(0).equals(between.get(1))) {
      at.child("between")
          .wrong("both ends are \"%s\"; name two different points".formatted(between.get(0)));
    }
    return new Part(
        id,
        kind,
        at.child("title").text(kind.word()),
        between.get(0),
        between.get(1),
        behaviour(kind, at),
        at.child("access").optionalText(),
        at.child("body").optionalText(),
        at.child("partners").texts(),
        at.child("base-rate").present()
            ? Optional.of(at.child("base-rate").quantity(Dimension.SHARE, 1))
            : Optional.empty(),
        at.child("case-leak").flag(kind.is(PartKind.Trait.LEAKS)),
        at.child("notes").text("").strip());
  }

  private static Behaviour behaviour(PartKind kind, SourceNode at) {
    SourceNode tolerance = at.child("tolerance");
    String feels = at.child("feels").text("ambient");
    return switch (kind.role()) {
      case LINK ->
          new Behaviour.Contact(
              madeWhen(at.child("made-when")),
              thermal(kind, at),
              feels,
              at.child("ohms").present()
                  ? Optional.of(at.child("ohms").positive(Dimension.OHMS))
                  : Optional.empty());
      case LOAD -> new Behaviour.Load(load(at), tolerance.quantity(Dimension.SHARE, 0.10));
      case SOURCE -> new Behaviour.Source(winding(at));
      case SENSOR ->
          new Behaviour.Sensor(
              at.child("curve").present()
                  ? Optional.of(curve(at.child("curve")))
                  : Optional.empty(),
              feels,
              tolerance.quantity(Dimension.SHARE, 0.05));
    };
  }

  private static MadeWhen madeWhen(SourceNode at) {
    return at.present() ? at.reading(MadeWhen::parse, MadeWhen.ALWAYS) : MadeWhen.ALWAYS;
  }

  private static Optional<ThermalRating> thermal(PartKind kind, SourceNode at) {
    ThermalRating.Reset reset =
        at.child("reset")
            .optionalText()
            .flatMap(t -> Kebab.read(ThermalRating.Reset.class, t))
            .orElse(
                kind.is(PartKind.Trait.ONE_SHOT)
                    ? ThermalRating.Reset.NONE
                    : kind.is(PartKind.Trait.RESET_BY_HAND)
                        ? ThermalRating.Reset.MANUAL
                        : ThermalRating.Reset.AUTO);
    if (at.child("marking").present()) {
      return Optional.ofNullable(
          at.child("marking").reading(m -> ThermalRating.ofMarking(m, reset), null));
    }
    boolean opens = at.child("opens-at").present();
    SourceNode acts = at.child(opens ? "opens-at" : "closes-at");
    SourceNode returns = at.child(opens ? "recloses-at" : "reopens-at");
    if (!acts.present()) {
      return Optional.empty();
    }
    double actsAt = acts.quantity(Dimension.CELSIUS, 0);
    Optional<Double> returnsAt =
        returns.present() && !kind.is(PartKind.Trait.ONE_SHOT)
            ? Optional.of(returns.quantity(Dimension.CELSIUS, 0))
            : Optional.empty();
    if (returnsAt.isPresent() && returnsAt.get() >= actsAt) {
      returns.wrong("must be below the temperature at which it acts (%.0f C)".formatted(actsAt));
    }
    return Optional.of(
        new ThermalRating(
            opens ? ThermalRating.Acts.OPENS : ThermalRating.Acts.CLOSES,
            actsAt,
            returnsAt,
            reset));
  }

  private static LoadRating load(SourceNode at) {
    double powerFactor = at.child("power-factor").quantity(Dimension.SHARE, 1);
    if (powerFactor <= 0 || powerFactor > 1) {
      at.child("power-factor").wrong("should be above 0 and at most 1, like 0.6");
    }
    double ohms = 1;
    if (at.child("ohms").present()) {
      ohms = at.child("ohms").positive(Dimension.OHMS);
    } else if (at.child("watts").present() && at.child("at-volts").present()) {
      double volts = at.child("at-volts").positive(Dimension.VOLTS);
      ohms = volts * volts * powerFactor / at.child("watts").positive(Dimension.WATTS);
    } else {
      at.wrong("a load needs its rating: \"watts\" with \"at-volts\", or \"ohms\"");
    }
    Optional<Double> winding =
        at.child("winding-ohms").present()
            ? Optional.of(at.child("winding-ohms").positive(Dimension.OHMS))
            : Optional.empty();
    return new LoadRating(
        ohms, powerFactor, winding, at.child("runs-above").quantity(Dimension.SHARE, 0.7));
  }

  private static Winding winding(SourceNode at) {
    SourceNode primary = at.child("primary");
    SourceNode rated = at.root().at("parts", primary.text(), "at-volts");
    for (String needed : List.of("primary", "volts", "ohms")) {
      if (!at.child(needed).present()) {
        at.wrong(
            "a secondary needs \"primary\", \"volts\" and \"ohms\", like {primary: transformer, volts: 24, ohms: 1.2}");
        return new Winding("", 1, 1, 1, 1);
      }
    }
    double volts = at.child("volts").positive(Dimension.VOLTS);
    double ohms = at.child("ohms").positive(Dimension.OHMS);
    return new Winding(
        primary.text(),
        volts,
        rated.present() ? volts / rated.positive(Dimension.VOLTS) : 1,
        ohms,
        at.child("winding-ohms").present()
            ? at.child("winding-ohms").positive(Dimension.OHMS)
            : ohms);
  }

  private static SensorCurve curve(SourceNode at) {
    return switch (at.child("type").text()) {
      case "pt100" -> new SensorCurve.Platinum(100);
      case "pt1000" -> new SensorCurve.Platinum(1000);
      case "table" -> new SensorCurve.Table(table(at.child("points")));
      default ->
          new SensorCurve.Ntc(
              at.child("ohms").positive(Dimension.OHMS),
              at.child("at").quantity(Dimension.CELSIUS, CURVE_AT_CELSIUS),
              at.child("beta").positive(Dimension.CELSIUS));
    };
  }

  private static List<SensorCurve.TablePoint> table(SourceNode at) {
    List<SensorCurve.TablePoint> points = new ArrayList<>();
    for (SourceNode pair : at.items()) {
      List<SourceNode> two = pair.items();
      SensorCurve.TablePoint point =
          new SensorCurve.TablePoint(
              two.get(0).quantity(Dimension.CELSIUS, 0), two.get(1).positive(Dimension.OHMS));
      if (!points.isEmpty() && point.celsius() <= points.get(points.size() - 1).celsius()) {
        pair.wrong("temperatures must rise from line to line");
      }
      points.add(point);
    }
    return List.copyOf(points);
  }
}
