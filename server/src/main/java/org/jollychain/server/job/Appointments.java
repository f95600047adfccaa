package org.jollychain.server.job;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** When somebody comes back after a visit, as an iCalendar file (RFC 5545). */
final class Appointments {

  private Appointments() {}

  static String of(JobView view) {
    Job job = view.job();
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Jolly Chain//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableCalScale.GREGORIAN);
    Appointment.after(view, job.closedAs(), job.end().toLocalDate())
        .forEach(a -> calendar.add(event(a, job.outcome())));
    StringWriter folded = new StringWriter();
    try {
      new CalendarOutputter(false).output(calendar, folded);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return folded.toString();
  }

  private static VEvent event(Appointment a, String description) {
    VEvent event = new VEvent(a.dueOn(), a.unitTag() + ", " + a.title());
    event.add(new Uid(a.id().toString()));
    event.add(new Description(description));
    return event;
  }
}
