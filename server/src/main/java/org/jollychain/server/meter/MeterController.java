package org.jollychain.server.meter;

import jakarta.validation.Valid;
import java.util.List;
import org.jollychain.server.platform.RefusedException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(path = "/api/meters", produces = MediaType.APPLICATION_JSON_VALUE)
class MeterController {

  private final MeterService meters;

  MeterController(MeterService meters) {
    this.meters = meters;
  }

  @GetMapping
  List<OwnedMeter> all() {
    return meters.owned();
  }

  /** Adds a meter, or with its version changes one. */
  @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
  List<OwnedMeter> keep(
      @PathVariable String id,
      @RequestParam(required = false) @Nullable Integer version,
      @RequestBody @Valid ShopMeter meter) {
    if (!meter.id().equals(id)) {
      throw RefusedException.unprocessable(
          "The meter calls itself \"%s\"; use the same id in both.".formatted(meter.id()));
    }
    return meters.keep(meter, version);
  }

  /** Takes a meter out of use; what was read with it stands. */
  @DeleteMapping("/{id}")
  List<OwnedMeter> retire(@PathVariable String id) {
    return meters.retire(id, true);
  }

  @PutMapping("/{id}/restore")
  List<OwnedMeter> restore(@PathVariable String id) {
    return meters.retire(id, false);
  }
}
