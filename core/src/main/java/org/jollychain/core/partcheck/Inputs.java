package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jollychain.core.text.Nearest;

/** What was typed for a check, read. Figures are in SI, temperatures in degrees Celsius. */
public final class Inputs {

  private final Map<String, Double> figures = new LinkedHashMap<>();
  private final Map<String, String> texts = new LinkedHashMap<>();

  private Inputs() {}

  /**
   * Reads what was typed.
   *
   * @param typed by the names of the inputs; what is blank was not typed
   * @throws InvalidInputsException when something is missing, is no figure, cannot be, or is not
   *     asked for; says it for every field
   */
  public static Inputs of(Card card, Map<String, String> typed) {
    Inputs inputs = new Inputs();
    List<InvalidInputsException.Problem> problems = new ArrayList<>();
    List<String> names = card.inputs().stream().map(Input::name).toList();
    for (String name : typed.keySet()) {
      if (!names.contains(name)) {
        problems.add(
            new InvalidInputsException.Problem(
                name,
                "is not asked for here%s; there are %s"
                    .formatted(Nearest.suggestion(name, names), String.join(", ", names))));
      }
    }
    for (Input input : card.inputs()) {
      String text = typed.get(input.name());
      try {
        inputs.read(input, text == null ? "" : text.strip());
      } catch (IllegalArgumentException e) {
        problems.add(new InvalidInputsException.Problem(input.name(), e.getMessage()));
      }
    }
    if (!problems.isEmpty()) {
      throw new InvalidInputsException(problems);
    }
    return inputs;
  }

  /** What was typed as one line of text: {@code length=6 m; square=2}, a log's lines by strokes. */
  public static String told(Map<String, String> typed) {
    return typed.entrySet().stream()
        .filter(t -> !t.getValue().isBlank())
        .map(t -> t.getKey() + "=" + t.getValue().strip().replaceAll("\\s*\\R\\s*", " | "))
        .collect(Collectors.joining("; "));
  }

  /** The same as it was typed, by the names of the inputs. */
  public static Map<String, String> typed(String told) {
    Map<String, String> typed = new LinkedHashMap<>();
    for (String one : told.split(";")) {
      String[] pair = one.split("=", 2);
      if (pair.length == 2) {
        typed.put(pair[0].strip(), pair[1].strip());
      }
    }
    return typed;
  }

  private void read(Input input, String text) {
    if (text.isEmpty()) {
      if (input.required()) {
        throw new IllegalArgumentException("is missing, like \"%s\"".formatted(input.example()));
      }
      return;
    }
    switch (input.kind()) {
      case FIGURE -> figures.put(input.name(), input.read(text));
      case CHOICE -> {
        if (!input.choices().contains(text)) {
          throw new IllegalArgumentException(
              "\"%s\" is none of %s".formatted(text, String.join(", ", input.choices())));
        }
        texts.put(input.name(), text);
      }
      default -> texts.put(input.name(), text);
    }
  }

  /** A figure that has to be there. */
  double figure(String name) {
    return figures.get(name);
  }

  double figure(String name, double otherwise) {
    return figures.getOrDefault(name, otherwise);
  }

  Optional<Double> optional(String name) {
    return Optional.ofNullable(figures.get(name));
  }

  /** A text or a choice; empty where it was left out. */
  String text(String name) {
    return texts.getOrDefault(name, "");
  }

  boolean has(String name) {
    return figures.containsKey(name) || texts.containsKey(name);
  }
}
