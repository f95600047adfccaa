package org.jollychain.core.diagnosis;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Predicate;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/**
 * What was read and seen on a unit of a sheet, in a technician's shorthand, and what a master
 * concludes from it. A reading is {@code situation [function] place value}: {@code heat-call
 * high-limit 0.2}, {@code isolated ohms U1-PE 0.9 lifted U1 U2}, {@code isolated ohms limit OL at
 * 150 F}; an observation {@code heat-call runs motor yes} or {@code isolated look limit burnt}.
 */
record FieldCase(String name, Sheet sheet, Optional<String> complaint, JsonNode told) {

  private static final Instant START = Instant.parse("2026-03-02T09:00:00Z");
  private static final double SPREAD = 0.006;
  private static final Map<String, String> FUNCTIONS =
      Map.of(
          "ohms",
          "ohms",
          "buzzer",
          "continuity",
          "loz",
          "volts-ac-loz",
          "ac",
          "volts-ac",
          "dc",
          "volts-dc");

  static List<FieldCase> of(String file) {
    try (InputStream in = FieldCase.class.getResourceAsStream("/field/" + file)) {
      List<FieldCase> all = new ArrayList<>();
      for (JsonNode one : YAMLMapper.shared().readTree(in)) {
        all.add(
            new FieldCase(
                one.get("case").asString(),
                Sheets.shipped(one.get("sheet").asString()),
                Optional.ofNullable(one.get("complaint")).map(JsonNode::asString),
                one));
      }
      return all;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public String toString() {
    return sheet.key() + ": " + name;
  }

  /** What is known before anything is read: the complaint, and what the unit's paper says. */
  Diagnosis.Beginning beginning() {
    UnitFacts facts = UnitFacts.NONE;
    for (Map.Entry<String, JsonNode> fact : told.path("facts").properties()) {
      facts = facts.and(sheet, fact.getKey(), fact.getValue().asString());
    }
    return new Diagnosis.Beginning(complaint, GuideFindings.NONE, facts);
  }

  List<Evidence> evidence() {
    List<Evidence> all = new ArrayList<>();
    for (JsonNode line : told.get("read")) {
      all.add(evidence(all.size() + 1, line.asString().split(" ")));
    }
    return all;
  }

  /** The same on another unit, with another meter: every figure some per cent off. */
  List<Evidence> varied(Random random) {
    return evidence().stream()
        .map(
            e ->
                e instanceof Reading r && r.shown() instanceof Shown.Figure f
                    ? new Reading(
                        r.id(), r.probe(), varied(f, random), r.meter(), r.reseated(), r.at())
                    : e)
        .map(Evidence.class::cast)
        .toList();
  }

  private static Shown varied(Shown.Figure f, Random random) {
    double steps = Math.rint(f.value() * Math.exp(SPREAD * random.nextGaussian()) / f.resolution());
    return new Shown.Figure(steps * f.resolution(), f.resolution());
  }

  private Evidence evidence(int number, String[] words) {
    String id = "r" + number;
    Optional<Instant> at = Optional.of(START.plusSeconds(60L * number));
    String situation = words[0];
    if (words[1].equals("runs")) {
      return new Observation(
          id, words[2], situation, Kebab.read(Observation.Runs.class, words[3]).orElseThrow(), at);
    }
    if (words[1].equals("look")) {
      Inspection.Finding finding = Kebab.read(Inspection.Finding.class, words[3]).orElseThrow();
      return new Inspection(id, words[2], situation, finding, at);
    }
    boolean amps = words[1].equals("amps");
    boolean named = amps || FUNCTIONS.containsKey(words[1]);
    String function =
        amps
            ? MeterFunction.amperesOf(sheet.supply()).toString()
            : FUNCTIONS.getOrDefault(words[1], MeterFunction.voltsOf(sheet.supply()).toString());
    int place = named ? 2 : 1;
    List<String> rest = Arrays.asList(words).subList(place + 1, words.length);
    int end = rest.size();
    for (String mark : List.of("lifted", "at", "reseated")) {
      int found = rest.indexOf(mark);
      end = found >= 0 && found < end ? found : end;
    }
    String value = String.join(" ", rest.subList(0, end));
    Entry.How how =
        new Entry.How(
            after(rest, "lifted", 2),
            Optional.empty(),
            Optional.of(String.join(" ", after(rest, "at", 2))).filter(c -> !c.isEmpty()),
            rest.contains("reseated"),
            at);
    boolean part = sheet.parts().containsKey(words[place]);
    return new Entry(
            id,
            function,
            Optional.empty(),
            Optional.empty(),
            Optional.of(words[place]).filter(p -> part && !amps),
            Optional.of(words[place]).filter(p -> part && amps),
            situation,
            how,
            part ? value : words[place] + " " + value)
        .on(sheet, Meters.USUAL);
  }

  private static List<String> after(List<String> words, String mark, int most) {
    int at = words.indexOf(mark);
    return at < 0 ? List.of() : words.subList(at + 1, Math.min(words.size(), at + 1 + most));
  }

  /** In what an assessment differs from what the master said; nothing where it does not. */
  Map<String, String> differences(Assessment a) {
    Map<String, String> wrong = new LinkedHashMap<>();
    String leading = a.leading().part() + " " + a.leading().mode();
    String found = leading + (a.leading().confirmed() ? " confirmed" : "");
    one("supply")
        .filter(s -> !oneOf(s, a.supply().verdict().toString()))
        .ifPresent(s -> wrong.put("supply " + s, a.supply().verdict().toString()));
    one("leading").filter(l -> !matches(l, found)).ifPresent(l -> wrong.put("leading " + l, found));
    list("leadsnot").stream()
        .filter(a.leading().part()::equals)
        .forEach(p -> wrong.put("leads not " + p, found));
    for (String never : list("never")) {
      boolean led = never.contains(" ") ? matches(never, found) : a.leading().part().equals(never);
      if (led && a.leading().probability() > Thresholds.USUAL.doubted()) {
        wrong.put("never " + never, found);
      }
      part(a, never.split(" ")[0])
          .filter(p -> !never.contains(" ") && p.probability() > Thresholds.USUAL.doubted())
          .ifPresent(p -> wrong.put("never " + never, "probability " + p.probability()));
    }
    verdicts(a, "passes", v -> v == Verdict.PASSES || v == Verdict.SOUND, wrong);
    verdicts(a, "sound", v -> v == Verdict.SOUND, wrong);
    verdicts(a, "notsound", v -> v != Verdict.SOUND && v != Verdict.PASSES, wrong);
    verdicts(a, "unread", v -> v == Verdict.UNTESTED || v == Verdict.UNCLEAR, wrong);
    if (told.has("verdicts")) {
      told.get("verdicts")
          .properties()
          .forEach(
              e -> {
                String is = part(a, e.getKey()).orElseThrow().verdict().toString();
                if (!oneOf(e.getValue().asString(), is)) {
                  wrong.put(e.getKey() + " " + e.getValue().asString(), is);
                }
              });
    }
    List<String> flags = a.flags().stream().map(f -> f.kind().toString()).toList();
    list("flags").stream()
        .filter(f -> !flags.contains(f))
        .forEach(f -> wrong.put("flag " + f, flags.toString()));
    list("noflags").stream()
        .filter(flags::contains)
        .forEach(f -> wrong.put("no flag " + f, flags.toString()));
    if (told.path("unconfirmed").asBoolean(false) && a.leading().confirmed()) {
      wrong.put("unconfirmed", found);
    }
    List<String> first =
        a.parts().stream()
            .sorted((p, q) -> Double.compare(q.probability(), p.probability()))
            .limit(3)
            .map(PartAssessment::id)
            .toList();
    list("notfirst").stream()
        .filter(first::contains)
        .forEach(p -> wrong.put("not first " + p, first.toString()));
    return wrong;
  }

  private void verdicts(
      Assessment a, String key, Predicate<Verdict> right, Map<String, String> wrong) {
    for (String id : list(key)) {
      Verdict is = part(a, id).orElseThrow().verdict();
      if (!right.test(is)) {
        wrong.put(key + " " + id, is.toString());
      }
    }
  }

  private static Optional<PartAssessment> part(Assessment a, String id) {
    return a.parts().stream().filter(p -> p.id().equals(id)).findFirst();
  }

  private static boolean oneOf(String allowed, String is) {
    return Arrays.asList(allowed.split("\\|")).contains(is);
  }

  /** {@code part}, {@code part mode|mode}, or {@code part mode confirmed}. */
  private static boolean matches(String wanted, String found) {
    String[] w = wanted.split(" ");
    String[] f = found.split(" ");
    return w[0].equals(f[0])
        && (w.length < 2 || oneOf(w[1], f[1]))
        && (w.length < 3 || f.length > 2);
  }

  private Optional<String> one(String key) {
    return Optional.ofNullable(told.get(key)).map(JsonNode::asString);
  }

  private List<String> list(String key) {
    List<String> all = new ArrayList<>();
    told.path(key).forEach(n -> all.add(n.asString()));
    return all;
  }
}
