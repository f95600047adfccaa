package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.text.TextSpan;

/**
 * The parts of a shorthand: its links by name, each with the points it lies between. What is not
 * said of a part is what is usual of its kind.
 *
 * @param ends the two points of each
 * @param commands are added to as parts wait for them
 */
record ShorthandParts(
    Map<String, ShorthandLink> links,
    Map<String, String[]> ends,
    Map<String, Object> commands,
    ShorthandSupply supply,
    ShorthandNotes notes) {

  /** Of a control transformer, unloaded; common practice, no source. */
  private static final String SECONDARY = "secondary 27V 1 ohm";

  /** A part as format 1 writes it, but for the way to it. */
  Map<String, Object> part(String id) {
    ShorthandLink link = links.get(id);
    Map<String, Object> part = new LinkedHashMap<>();
    part.put("kind", link.kind().toString());
    part.put("title", title(id));
    part.put("between", List.of(ends.get(id)));
    madeWhen(id, link);
    if (link.kind().role() == PartKind.Role.LOAD) {
      rating(id, link);
    }
    if (link.kind().role() == PartKind.Role.SOURCE) {
      link.said()
          .put("primary", link.by().flatMap(b -> driver(b.text())).orElseGet(() -> primary(link)));
    }
    if (link.rated() && !ShorthandRatings.madeInTheRoom(link.said())) {
      link.said().putIfAbsent("feels", id);
    }
    unrated(link);
    part.putAll(link.said());
    List<String> partners = new ArrayList<>();
    for (TextSpan partner : link.partners()) {
      String other = ShorthandNotes.slug(partner.text());
      if (links.containsKey(other)) {
        partners.add(other);
      } else {
        notes.error(
            partner,
            "no link is called \"%s\"%s"
                .formatted(other, Nearest.suggestion(other, links.keySet())));
      }
    }
    if (!partners.isEmpty()) {
      part.put("partners", partners);
    }
    return part;
  }

  String title(String id) {
    ShorthandLink link = links.get(id);
    String number = id.substring(Math.min(id.length(), ShorthandNotes.slug(link.title()).length()));
    return link.id().isPresent() ? link.title() : link.title() + number.replace('-', ' ');
  }

  private String primary(ShorthandLink link) {
    return links.entrySet().stream()
        .filter(e -> e.getValue().kind() == PartKind.TRANSFORMER_PRIMARY)
        .map(Map.Entry::getKey)
        .findFirst()
        .orElseGet(
            () -> {
              notes.error(
                  link.span(),
                  "a secondary needs its primary on another chain, like \"L1 > transformer 5W > N\"");
              return "transformer";
            });
  }

  private void unrated(ShorthandLink link) {
    boolean acts =
        link.kind().is(PartKind.Trait.HEATED_TO_TEST)
            || link.kind().is(PartKind.Trait.RESET_BY_HAND)
            || link.kind() == PartKind.THERMAL_FUSE
            || link.kind() == PartKind.THERMAL_CUTOFF;
    if (acts && !link.rated() && link.known()) {
      notes.note(
          link.span(), "%s: no temperature yet; it is taken as unknown".formatted(link.title()));
    }
  }

  /** By the command its kind usually waits for, where nothing else is said. */
  private void madeWhen(String id, ShorthandLink link) {
    if (link.madeWhen().isPresent()) {
      String condition = link.madeWhen().get().text();
      if (condition.isEmpty()) {
        return;
      }
      link.said().put("made-when", condition);
      try {
        MadeWhen.parse(condition)
            .commands()
            .forEach(
                c -> commands.computeIfAbsent(c, k -> PlainText.sentence(k.replace('-', ' '))));
      } catch (IllegalArgumentException e) {
        notes.error(link.madeWhen().get(), e.getMessage());
        link.said().remove("made-when");
      }
      return;
    }
    Optional<ShorthandDefaults.Waits> usual = ShorthandDefaults.command(link.kind(), id, title(id));
    if (usual.isEmpty()) {
      return;
    }
    ShorthandDefaults.Waits command = usual.get();
    link.said().put("made-when", command.condition());
    boolean byControl = command.byControl() || link.by().isPresent();
    Optional<String> driver = byControl ? driver(id, link) : Optional.empty();
    commands.computeIfAbsent(command.id(), k -> command.sheet(byControl, driver));
    notes.assume(
        link, "made when: " + PlainText.sentence(command.title()), "when " + command.condition());
  }

  /** The load that drives a relay, a sequencer's stage or a motor's switch. */
  private Optional<String> driver(String id, ShorthandLink link) {
    if (link.by().isPresent()) {
      Optional<String> load = driver(link.by().get().text());
      if (load.isEmpty()) {
        notes.error(
            link.by().get(),
            "no load is called \"%s\"; say the coil, heater or motor that drives it"
                .formatted(link.by().get().text()));
      }
      return load;
    }
    Optional<PartKind> drives = ShorthandDefaults.driver(link.kind());
    List<String> loads =
        links.entrySet().stream()
            .filter(e -> drives.filter(e.getValue().kind()::equals).isPresent())
            .map(Map.Entry::getKey)
            .toList();
    String name = id.replaceAll("^.*?-", "");
    Optional<String> same =
        loads.stream().filter(l -> l.replaceAll("^.*?-", "").equals(name)).findFirst();
    Optional<String> load =
        same.isPresent() ? same : loads.size() == 1 ? Optional.of(loads.get(0)) : Optional.empty();
    if (load.isPresent()) {
      notes.assume(link, "driven by the " + links.get(load.get()).title(), "by " + load.get());
    } else if (drives.isPresent()) {
      notes.question(
          link.span(),
          "%s has no %s that drives it; say which, like \"by %s\", or that the control just switches it, by a condition"
              .formatted(
                  link.title(), drives.get().word(), drives.get().word().replaceAll("^.* ", "")));
    }
    return load;
  }

  /** The part that is called so: by its whole name, or by its last word. */
  Optional<String> driver(String called) {
    String slug = ShorthandNotes.slug(called);
    if (links.containsKey(slug) && links.get(slug).kind().role() == PartKind.Role.LOAD) {
      return Optional.of(slug);
    }
    return links.entrySet().stream()
        .filter(e -> e.getValue().kind().role() == PartKind.Role.LOAD)
        .map(Map.Entry::getKey)
        .filter(p -> p.endsWith("-" + slug) || p.startsWith(slug + "-"))
        .findFirst();
  }

  private void rating(String id, ShorthandLink link) {
    Map<String, Object> rated = link.said();
    ShorthandVolts wire = new ShorthandVolts(supply, links, ends);
    double volts = wire.across(id);
    String atVolts = ShorthandWriter.figure(volts) + " V";
    ShorthandDefaults.Load usual = ShorthandDefaults.load(link.kind());
    if (link.amperes().isPresent()) {
      double factor =
          Double.parseDouble(rated.getOrDefault("power-factor", usual.powerFactor()).toString());
      rated.put(
          "watts",
          ShorthandWriter.figure(Math.round(link.amperes().get() * volts * factor * 1e3) / 1e3)
              + " W");
    }
    if (!rated.containsKey("watts") && !rated.containsKey("ohms")) {
      rated.put("watts", usual.watts() + " W");
      notes.assume(link, "%s W at %s".formatted(usual.watts(), atVolts), usual.watts() + "W");
      if (link.known()) {
        notes.question(
            link.span(),
            "%s: how many watts? %s W is assumed".formatted(link.title(), usual.watts()));
      }
    }
    if (rated.containsKey("watts")) {
      rated.remove("ohms");
      if (!rated.containsKey("at-volts")) {
        rated.put("at-volts", atVolts);
        notes.assume(link, "its rating holds at " + atVolts, atVolts.replace(" ", ""));
        wire.inSeries(id)
            .ifPresent(
                other ->
                    notes.question(
                        link.span(),
                        "%s lies in series with %s: at what volts is it rated? %s is assumed"
                            .formatted(link.title(), links.get(other).title(), atVolts)));
      }
    } else {
      rated.remove("at-volts");
    }
    if (usual.powerFactor() < 1 && !supply.dc()) {
      rated.putIfAbsent("power-factor", usual.powerFactor());
    }
  }

  /** A name in the sheet that no part has yet. */
  String unique(String title) {
    String slug = ShorthandNotes.slug(title);
    String id = slug;
    for (int i = 2; links.containsKey(id); i++) {
      id = slug + "-" + i;
    }
    return id;
  }

  /** Loads that hang on nothing are fed by the only transformer that feeds nothing yet. */
  void feedByTransformer(List<List<String>> ways) {
    List<String> primaries = ofKind(PartKind.TRANSFORMER_PRIMARY);
    if (primaries.size() != 1 || !ofKind(PartKind.TRANSFORMER_SECONDARY).isEmpty()) {
      return;
    }
    Set<String> fed = new LinkedHashSet<>(supply.terminals().values());
    while (ends.values().stream().anyMatch(e -> spreads(fed, e[0], e[1]))) {
      // until nothing more hangs on the supply
    }
    ways.stream()
        .filter(way -> Collections.disjoint(fed, way) && loaded(way))
        .findFirst()
        .ifPresent(way -> feed(way.get(0), way.get(way.size() - 1), primaries.get(0)));
  }

  private boolean loaded(List<String> way) {
    return links.entrySet().stream()
        .filter(l -> l.getValue().kind().role() == PartKind.Role.LOAD)
        .anyMatch(l -> way.containsAll(List.of(ends.get(l.getKey()))));
  }

  private void feed(String from, String to, String primary) {
    String line = "%s by %s".formatted(SECONDARY, primary);
    String id = unique("secondary");
    links.put(id, ShorthandLink.read(links.get(primary).span().saying(line), notes));
    ends.put(id, new String[] {from, to});
    notes.assume(
        id,
        "%s feeds the chain from %s to %s".formatted(primary, from, to),
        "%s > %s > %s".formatted(from, line, to));
  }

  private List<String> ofKind(PartKind kind) {
    return links.entrySet().stream()
        .filter(l -> l.getValue().kind() == kind)
        .map(Map.Entry::getKey)
        .toList();
  }

  private static boolean spreads(Set<String> fed, String one, String other) {
    return fed.contains(one) && fed.add(other) || fed.contains(other) && fed.add(one);
  }
}
