package org.jollychain.server.job;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.visit.Outcome;

/**
 * A day on which somebody comes back to a unit: a week after a visit in which no test failed, and
 * whenever prevention of the causes found is due.
 *
 * @param jobId the visit it comes from
 * @param dueOn a whole day, since the hour is the customer's
 */
public record Appointment(
    UUID id,
    UUID jobId,
    String unitTag,
    String unitTitle,
    String unitPlace,
    Kind kind,
    String title,
    LocalDate dueOn) {

  private static final int FOLLOW_UP_DAYS = 7;

  /** Why somebody comes back. */
  public enum Kind {
    FOLLOW_UP,
    PREVENTION;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * What a visit leaves to be done.
   *
   * @param as how it ends
   * @param day on which it ends
   */
  public static List<Appointment> after(JobView view, Outcome as, LocalDate day) {
    List<Appointment> all = new ArrayList<>();
    if (as == Outcome.NOT_REPRODUCED) {
      String title = "Follow up: " + view.complaintTitle();
      all.add(of(view.job(), "follow-up", Kind.FOLLOW_UP, title, day.plusDays(FOLLOW_UP_DAYS)));
    }
    for (Guide.Prevention p : view.visit().prevention()) {
      all.add(of(view.job(), p.id(), Kind.PREVENTION, p.title(), day.plusMonths(p.months())));
    }
    return all;
  }

  /** Told again it is the same one. */
  private static Appointment of(Job job, String what, Kind kind, String title, LocalDate dueOn) {
    UUID id = UUID.nameUUIDFromBytes((job.id() + " " + what).getBytes(StandardCharsets.UTF_8));
    return new Appointment(
        id, job.id(), job.unitTag(), job.unitTitle(), job.unitPlace(), kind, title, dueOn);
  }
}
