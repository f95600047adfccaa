package org.jollychain.server.assess;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.network.CheckedSheet;
import org.jollychain.core.sheet.InvalidSheetException;
import org.jollychain.server.sheet.SheetService;
import org.springframework.stereotype.Service;

/** Assesses cases; what it learns about a sheet it keeps for the next case on the same text. */
@Service
public class AssessService {

  private static final int MOST_SHEETS_KEPT = 24;

  private final SheetService sheets;
  private final LoadingCache<String, Diagnosis> diagnoses =
      Caffeine.newBuilder()
          .maximumSize(MOST_SHEETS_KEPT)
          .build(text -> new Diagnosis(CheckedSheet.read(text)));

  AssessService(SheetService sheets) {
    this.sheets = sheets;
  }

  /**
   * What a sheet's text makes known.
   *
   * @throws InvalidSheetException when the text is no valid sheet
   */
  public Diagnosis diagnosis(String text) {
    return diagnoses.get(text);
  }

  /**
   * @throws InvalidSheetException when the case brings a sheet that is not valid
   * @throws EvidenceException when a piece of evidence cannot be meant
   */
  public Assessment assess(CaseFile file) {
    Diagnosis diagnosis = diagnosis(sheets.text(file.sheet()));
    List<Evidence> evidence = new ArrayList<>();
    Set<String> ids = new HashSet<>();
    List<CaseFile.Item> items = file.evidence() == null ? List.of() : file.evidence();
    for (int i = 0; i < items.size(); i++) {
      CaseFile.Item item = items.get(i);
      String id = item.id() == null ? "e" + (i + 1) : item.id();
      String at = "evidence[%d].".formatted(i);
      if (!ids.add(id)) {
        throw new EvidenceException(
            at + "id", "there are two pieces of evidence \"%s\"; name each once".formatted(id));
      }
      try {
        evidence.add(item.item().on(diagnosis.sheet(), id));
      } catch (EvidenceException e) {
        throw new EvidenceException(at + e.field(), e.getMessage());
      }
    }
    return diagnosis.assess(evidence, Optional.ofNullable(file.complaint()));
  }
}
