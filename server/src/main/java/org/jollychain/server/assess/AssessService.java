package org.jollychain.server.assess;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.unit.UnitFacts;
import org.jollychain.server.meter.MeterService;
import org.jollychain.server.meter.ShopMeter;
import org.jollychain.server.sheet.SheetService;
import org.springframework.stereotype.Service;

/** Assesses cases; what it learns about a sheet it keeps for the next case on the same text. */
@Service
public class AssessService {

  /**
   * What is learnt of a sheet grows with the square of its parts: 40 000 are about 100 MB, the
   * largest shipped sheet is 1 800.
   */
  private static final long MOST_KEPT = 120_000;

  /** All cases wait in one line, so that many of them hold up no job. */
  private static final Object CASES = new Object();

  private final SheetService sheets;
  private final MeterService meters;
  private final AssessmentPool pool;
  private final LoadingCache<String, SheetEngine> engines =
      Caffeine.newBuilder()
          .maximumWeight(MOST_KEPT)
          .<String, SheetEngine>weigher((text, engine) -> engine.weight())
          .build(text -> new SheetEngine(Diagnosis.ofExample(SheetValidator.unit(text))));

  AssessService(SheetService sheets, MeterService meters, AssessmentPool pool) {
    this.pool = pool;
    this.sheets = sheets;
    this.meters = meters;
  }

  /**
   * What judges and plans by a sheet's text.
   *
   * @throws InvalidTextException when the text is no valid sheet
   */
  public SheetEngine engine(String text) {
    return engines.get(text);
  }

  /** Learns ahead what the first assessment and plan by a sheet need. */
  public void learn(String text) {
    SheetEngine engine = engine(text);
    Diagnosis.Opinion opinion = engine.opinion(List.of(), Diagnosis.Beginning.PLAIN);
    engine.plan(opinion, List.of(), Policy.usual(true));
  }

  /** Waits until nobody waits for an assessment. */
  public void awaitIdle() throws InterruptedException {
    pool.awaitIdle();
  }

  /** The case's own meters, then the shop's. */
  private Meters meters(CaseFile file) {
    Meters shop = meters.all();
    Stream<Meter> own =
        file.meters() == null ? Stream.of() : file.meters().stream().map(ShopMeter::meter);
    return new Meters(shop.usual(), Stream.concat(own, shop.all().stream()).toList());
  }

  /**
   * @throws InvalidTextException when the case brings a sheet that is not valid
   * @throws EvidenceException when a piece of evidence cannot be meant
   */
  public Assessed assess(CaseFile file) {
    String text = sheets.text(file.sheet());
    Meters known = meters(file);
    return pool.run(CASES, () -> assess(file, engine(text), known));
  }

  private static UnitFacts facts(CaseFile file, Sheet sheet) {
    UnitFacts facts = UnitFacts.NONE;
    Map<String, String> told = file.facts() == null ? Map.of() : file.facts();
    for (Map.Entry<String, String> fact : told.entrySet()) {
      String at = "facts." + fact.getKey();
      if (!sheet.parts().containsKey(fact.getKey())) {
        throw new EvidenceException(
            at,
            "there is no part \"%s\" on this sheet%s"
                .formatted(
                    fact.getKey(), Nearest.suggestion(fact.getKey(), sheet.parts().keySet())));
      }
      try {
        facts = facts.and(sheet, fact.getKey(), fact.getValue());
      } catch (IllegalArgumentException e) {
        throw new EvidenceException(at, e.getMessage());
      }
    }
    return facts;
  }

  private static Assessed assess(CaseFile file, SheetEngine engine, Meters meters) {
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
        evidence.add(item.item().on(engine.sheet(), meters, id));
      } catch (EvidenceException e) {
        throw new EvidenceException(at + e.field(), e.getMessage());
      }
    }
    Diagnosis.Beginning beginning =
        new Diagnosis.Beginning(
            Optional.ofNullable(file.complaint()), GuideFindings.NONE, facts(file, engine.sheet()));
    Diagnosis.Opinion opinion = engine.opinion(evidence, beginning);
    ComplaintTold.check(engine.sheet(), opinion.told());
    return Assessed.of(opinion.assessment(), engine.plan(opinion, evidence, file.planned()));
  }
}
