package org.jollychain.server.job;

import org.apache.ibatis.type.MappedTypes;
import org.jollychain.server.platform.EnumTypeHandler;
import org.springframework.stereotype.Component;

/** Why somebody comes back, by its word. */
@Component
@MappedTypes(Appointment.Kind.class)
class KeptAppointmentKind extends EnumTypeHandler<Appointment.Kind> {

  KeptAppointmentKind() {
    super(Appointment.Kind.class);
  }
}
