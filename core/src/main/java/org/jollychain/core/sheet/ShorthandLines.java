package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.text.TextSpan;

/** What a shorthand says outright, line by line, as format 1 writes it. */
final class ShorthandLines {

  private static final Pattern MINUTES = Pattern.compile("(\\d+\\.?\\d*)\\s*min(?:utes?)?");
  private static final Pattern PLACE =
      Pattern.compile("([a-z][a-z0-9-]*)\\s+(-?\\d+\\.?\\d*)\\s*°?\\s*([CFcf])");

  private ShorthandLines() {}

  static String unquoted(TextSpan piece) {
    return piece.text().replaceAll("^\"|\"$", "");
  }

  /**
   * {@code rear = rear panel off, 6 min, power off, after pulled, place cellar, hot heater can}.
   */
  static Map<String, Object> access(ShorthandReader.Definition d, ShorthandNotes notes) {
    Map<String, Object> access = new LinkedHashMap<>();
    access.put("title", PlainText.sentence(d.name().text()));
    access.put("minutes", ShorthandSheet.MINUTES);
    List<String> hazards = new ArrayList<>();
    for (int i = 0; i < d.pieces().size(); i++) {
      String piece = unquoted(d.pieces().get(i));
      Matcher minutes = MINUTES.matcher(piece);
      if (minutes.matches()) {
        access.put("minutes", minutes.group(1) + " min");
      } else if (piece.equals("power off")) {
        access.put("power", "off");
      } else if (piece.startsWith("after ")) {
        access.put("after", words(piece.substring(6)));
      } else if (piece.startsWith("place ")) {
        access.put("place", piece.substring(6));
      } else if (piece.equals("off limits")) {
        access.put("off-limits", true);
      } else if (piece.startsWith("off ")) {
        access.put("title-off", piece.substring(4));
      } else if (i == 0) {
        access.put("title", PlainText.sentence(piece));
      } else {
        hazards.add(piece);
      }
    }
    if (d.pieces().isEmpty()) {
      notes.note(
          d.name(),
          "say how one gets there, like \"%s = Cover off, 4 min\"".formatted(d.name().text()));
    }
    if (!hazards.isEmpty()) {
      access.put("hazards", hazards);
    }
    return access;
  }

  /**
   * {@code command heat-on = Board drives the relay, by control, driven by coil-k3, needs Q1 Q2}.
   */
  static Object command(ShorthandReader.Definition d, UnaryOperator<String> load) {
    Map<String, Object> command = new LinkedHashMap<>();
    command.put("title", d.name().text());
    List<List<String>> needs = new ArrayList<>();
    for (int i = 0; i < d.pieces().size(); i++) {
      String piece = unquoted(d.pieces().get(i));
      if (i == 0) {
        command.put("title", piece);
      } else if (piece.equals("by control")) {
        command.put("by", "control");
      } else if (piece.startsWith("driven by ")) {
        command.put("by", "control");
        command.put("driven-by", load.apply(piece.substring(10)));
      } else if (piece.startsWith("needs ")) {
        command.put("by", "control");
        needs.add(words(piece.substring(6)));
      }
    }
    if (!needs.isEmpty()) {
      command.put("needs", needs);
    }
    return command;
  }

  /** {@code situation heat-call = Heat called, on, with door-shut timer-on, heater 40C}. */
  static Map<String, Object> situation(ShorthandReader.Definition d, ShorthandNotes notes) {
    Map<String, Object> situation = new LinkedHashMap<>();
    situation.put("title", d.name().text());
    situation.put("supply", "on");
    Map<String, Object> celsius = new LinkedHashMap<>();
    for (int i = 0; i < d.pieces().size(); i++) {
      String piece = unquoted(d.pieces().get(i));
      Matcher place = PLACE.matcher(piece);
      if (i == 0) {
        situation.put("title", piece);
      } else if (piece.equals("on") || piece.equals("off")) {
        situation.put("supply", piece);
      } else if (piece.startsWith("with ")) {
        situation.put("commands", words(piece.substring(5)));
      } else if (piece.startsWith("after ")) {
        situation.put("after", piece.substring(6));
      } else if (place.matches()) {
        celsius.put(place.group(1), place.group(2) + " " + place.group(3).toUpperCase(Locale.ROOT));
      } else {
        notes.error(
            d.pieces().get(i),
            "write a situation like \"situation heat-call = Heat called, on, with door-shut timer-on, heater 40C\"");
      }
    }
    if (!celsius.isEmpty()) {
      situation.put("celsius", celsius);
    }
    return situation;
  }

  /** {@code path heat = Heat, element}. */
  static Map<String, Object> path(ShorthandReader.Definition d, UnaryOperator<String> load) {
    Map<String, Object> path = new LinkedHashMap<>();
    int last = d.pieces().size() - 1;
    path.put("title", last < 1 ? d.name().text() : unquoted(d.pieces().get(0)));
    path.put("load", load.apply(last < 0 ? d.name().text() : unquoted(d.pieces().get(last))));
    return path;
  }

  /** {@code complaint no-heat = Turns cold, in heat-call, runs motor, not element}. */
  static Map<String, Object> complaint(ShorthandReader.Definition d, ShorthandNotes notes) {
    Map<String, Object> complaint = new LinkedHashMap<>();
    complaint.put("title", d.name().text());
    for (int i = 0; i < d.pieces().size(); i++) {
      String piece = unquoted(d.pieces().get(i));
      if (i == 0) {
        complaint.put("title", piece);
      } else if (piece.startsWith("in ")) {
        complaint.put("situation", piece.substring(3).strip());
      } else if (piece.startsWith("runs ")) {
        complaint.put("runs", words(piece.substring(5)));
      } else if (piece.startsWith("not ")) {
        complaint.put("not-running", words(piece.substring(4)));
      } else if (piece.startsWith("suspects ")) {
        complaint.put("suspects", words(piece.substring(9)));
      } else if (piece.startsWith("outside ")) {
        complaint.put("outside", piece.substring(8).strip());
      } else if (piece.equals("comes and goes") || piece.equals("trips")) {
        complaint.put("how", piece.replace(' ', '-'));
      } else {
        notes.error(
            d.pieces().get(i),
            "write a complaint like \"complaint no-heat = Turns cold, in heat-call, runs motor, not element\"");
      }
    }
    return complaint;
  }

  /** {@code strays: 70 pF, 40 pF}: to neighbours, to the case. */
  static Map<String, Object> strays(TextSpan said) {
    String[] two = said.text().split("\\s*,\\s*");
    Map<String, Object> strays = new LinkedHashMap<>();
    strays.put("to-neighbours", two[0]);
    strays.put("to-case", two.length > 1 ? two[1] : two[0]);
    return strays;
  }

  /** {@code identify: controls dial, air duct}. */
  static Map<String, Object> identify(TextSpan said) {
    Map<String, Object> answers = new LinkedHashMap<>();
    for (String pair : said.text().split("\\s*,\\s*")) {
      String[] two = pair.split("\\s+", 2);
      answers.put(two[0], two.length > 1 ? two[1] : "");
    }
    return answers;
  }

  private static List<String> words(String text) {
    return Arrays.stream(text.strip().split("\\s+")).filter(w -> !w.isEmpty()).toList();
  }
}
