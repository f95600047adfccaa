package org.jollychain.server.job;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jollychain.server.platform.Stamps;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(path = "/api/appointments", produces = MediaType.APPLICATION_JSON_VALUE)
class AppointmentController {

  private final AppointmentBook book;
  private final Stamps stamps;

  AppointmentController(AppointmentBook book, Stamps stamps) {
    this.book = book;
    this.stamps = stamps;
  }

  /**
   * @param as what was done about it
   */
  record Settling(@NotBlank @Size(max = 500) String as) {}

  /** Overdue follow-ups and prevention, and those that come due. */
  @GetMapping
  List<Appointment> due(@RequestParam(defaultValue = "" + AppointmentBook.SOON) int days) {
    return book.within(days);
  }

  @PutMapping(path = "/{id}/settle", consumes = MediaType.APPLICATION_JSON_VALUE)
  List<Appointment> settle(@PathVariable UUID id, @RequestBody @Valid Settling settling) {
    book.settle(id, settling.as(), stamps.now());
    return book.within(AppointmentBook.SOON);
  }
}
