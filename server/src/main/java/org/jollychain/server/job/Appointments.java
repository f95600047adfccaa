package org.jollychain.server.job;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.UUID;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.visit.Outcome;

/**
 * When somebody comes back, as an iCalendar file (RFC 5545): a week after a visit in which no test
 * failed, and whenever prevention is due. Whole days, since the hour is the customer's.
 */
final class Appointments {

  private static final int FOLLOW_UP_DAYS = 7;

  private Appointments() {}

  static String of(JobView view) {
    Job job = view.job();
    LocalDate day = job.end().toLocalDate();
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Jolly Chain//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    if (job.closedAs() == Outcome.NOT_REPRODUCED) {
      calendar.add(
          event(
              job,
              "follow-up",
              day.plusDays(FOLLOW_UP_DAYS),
              "Follow up: " + view.complaintTitle()));
    }
    for (Guide.Prevention p : view.visit().prevention()) {
      calendar.add(event(job, p.id(), day.plusMonths(p.months()), p.title()));
    }
    return calendar.toString();
  }

  private static VEvent event(Job job, String what, LocalDate day, String title) {
    VEvent event = new VEvent(day, job.unitTag() + ", " + title);
    event.add(
        new Uid(
            UUID.nameUUIDFromBytes((job.id() + " " + what).getBytes(StandardCharsets.UTF_8))
                .toString()));
    event.add(new Description(job.outcome()));
    return event;
  }
}
