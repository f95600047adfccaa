package org.jollychain.server.meter;

import java.util.List;
import java.util.Map;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Meters;
import org.jollychain.server.account.AuditService;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the shop's meters; a new shop starts with the usual ones. */
@Service
@Order(1)
public class MeterService implements ApplicationRunner {

  private static final int MOST_METERS = 200;

  /** Of the usual kinds; common practice, no source. */
  private static final Map<String, String> CATEGORIES =
      Map.of(
          "field", "CAT III 600 V",
          "pocket", "CAT II 600 V",
          "bench", "CAT II 300 V",
          "tester", "CAT IV 600 V");

  private final MeterMapper meters;
  private final Stamps stamps;
  private final AuditService audit;

  MeterService(MeterMapper meters, Stamps stamps, AuditService audit) {
    this.meters = meters;
    this.stamps = stamps;
    this.audit = audit;
  }

  @Override
  @Transactional
  public void run(ApplicationArguments arguments) {
    if (meters.all().isEmpty()) {
      Stamp now = stamps.now();
      List<Meter> usual = Meters.USUAL.all();
      for (int i = 0; i < usual.size(); i++) {
        meters.insertIfNew(
            ShopMeter.of(usual.get(i), CATEGORIES.getOrDefault(usual.get(i).id(), "")),
            Stamp.at(now.at().plusNanos(1000L * i)));
      }
    }
  }

  public List<OwnedMeter> owned() {
    return meters.all();
  }

  /** All that readings may name, retired ones too. */
  public Meters all() {
    List<Meter> all = meters.all().stream().map(m -> m.figures().meter()).toList();
    return new Meters(all.get(0), all);
  }

  /**
   * Keeps a meter; what was read with it is judged by the new figures from now on.
   *
   * @param version of the meter as it was seen; empty for a new one
   * @throws RefusedException when there is another of that id, or it was changed meanwhile
   */
  @Transactional
  public List<OwnedMeter> keep(ShopMeter meter, @Nullable Integer version) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Changing the meters");
    if (version == null) {
      meters.lock();
      if (meters.all().size() >= MOST_METERS && !kept(meter)) {
        throw RefusedException.unprocessable("%d meters are the most.".formatted(MOST_METERS));
      }
      if (meters.insertIfNew(meter, now) == 0 && !kept(meter)) {
        throw RefusedException.conflict(
            "There is another meter \"%s\"; choose another id.".formatted(meter.id()));
      }
    } else if (meters.update(meter, version, now) == 0 && !keptAs(meter, version + 1)) {
      throw RefusedException.conflict(
          "The meter was changed meanwhile%s; look at it again and repeat."
              .formatted(audit.lastChange("meter", meter.id())));
    }
    return meters.all();
  }

  private boolean kept(ShopMeter meter) {
    return meters.all().stream().map(OwnedMeter::figures).anyMatch(meter::equals);
  }

  /** Whether the change was made already, when it was sent the first time. */
  private boolean keptAs(ShopMeter meter, int version) {
    return meters.all().stream().anyMatch(m -> m.version() == version && m.figures().equals(meter));
  }

  /**
   * Takes a meter out of use, or back.
   *
   * @throws RefusedException when there is no such meter
   */
  @Transactional
  public List<OwnedMeter> retire(String id, boolean retired) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Changing the meters");
    if (meters.retire(id, retired, now) == 0) {
      throw RefusedException.notFound("There is no meter \"%s\".".formatted(id));
    }
    return meters.all();
  }
}
