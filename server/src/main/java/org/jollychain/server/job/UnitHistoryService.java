package org.jollychain.server.job;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.Unit;
import org.jollychain.server.unit.UnitFactLog;
import org.jollychain.server.unit.UnitService;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks up what was done at a unit. */
@Service
public class UnitHistoryService {

  private final UnitService units;
  private final JobService jobs;
  private final VisitMapper visits;
  private final AppointmentBook appointments;
  private final SheetService sheets;
  private final UnitFactLog facts;

  UnitHistoryService(
      UnitService units,
      JobService jobs,
      VisitMapper visits,
      AppointmentBook appointments,
      SheetService sheets,
      UnitFactLog facts) {
    this.units = units;
    this.jobs = jobs;
    this.visits = visits;
    this.appointments = appointments;
    this.sheets = sheets;
    this.facts = facts;
  }

  /**
   * @throws RefusedException when there is no such unit
   */
  @Transactional(readOnly = true)
  public UnitHistory of(String tag) {
    Unit unit = units.one(tag);
    List<JobSummary> all = jobs.onUnit(unit.id());
    List<UnitHistory.FittedPart> fitted =
        visits.fitted(unit.id()).stream()
            .map(f -> new UnitHistory.FittedPart(f.jobId(), title(f), f.printed(), f.on()))
            .toList();
    Map<String, Integer> times = new LinkedHashMap<>();
    fitted.forEach(f -> times.merge(f.part(), 1, Integer::sum));
    return new UnitHistory(
        unit,
        all.isEmpty() ? "" : all.get(0).job().sheetKey(),
        all,
        fitted,
        times.entrySet().stream()
            .filter(t -> t.getValue() > 1)
            .map(t -> new UnitHistory.Repeated(t.getKey(), t.getValue()))
            .toList(),
        appointments.ofUnit(unit.id()),
        facts.of(
            unit.tag(),
            all.stream()
                .findFirst()
                .map(s -> sheets.sheet(s.job().sheetKey(), s.job().sheetRevision()))));
  }

  private String title(VisitMapper.Fitted f) {
    return sheets.sheet(f.sheetKey(), f.sheetRevision()).part(f.part()).title();
  }
}
