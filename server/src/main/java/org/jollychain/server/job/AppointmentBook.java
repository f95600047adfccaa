package org.jollychain.server.job;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is still to be done at units that were visited. */
@Service
public class AppointmentBook {

  /** What is due within so many days is worth a look (d). */
  static final int SOON = 30;

  private static final int MOST_DAYS = 3660;
  private static final int MOST_LISTED = 200;

  private final AppointmentMapper appointments;
  private final Clock clock;

  AppointmentBook(AppointmentMapper appointments, Clock clock) {
    this.appointments = appointments;
    this.clock = clock;
  }

  /**
   * Overdue, or due within so many days.
   *
   * @throws RefusedException when it is no such number of days
   */
  List<Appointment> within(int days) {
    if (days < 0 || days > MOST_DAYS) {
      throw RefusedException.unprocessable("days: must be from 0 to %d.".formatted(MOST_DAYS));
    }
    return appointments.due(LocalDate.now(clock).plusDays(days), MOST_LISTED);
  }

  List<Appointment> ofUnit(UUID unit) {
    return appointments.ofUnit(unit);
  }

  /**
   * Settles one; sent again, nothing changes.
   *
   * @param as what was done instead or about it
   * @throws RefusedException when there is none such, or it was settled otherwise
   */
  @Transactional
  public void settle(UUID id, String as, Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Settling an appointment");
    String before =
        appointments
            .settledAs(id)
            .orElseThrow(() -> RefusedException.notFound("There is no such appointment."));
    if (before.isEmpty() && appointments.settle(id, as.strip(), stamp) == 1) {
      return;
    }
    // settled before, or by another at this moment
    String now = appointments.settledAs(id).orElseThrow();
    if (!now.equals(as.strip())) {
      throw RefusedException.conflict("It is settled already: %s".formatted(now));
    }
  }
}
