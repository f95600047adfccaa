package org.jollychain.server.platform;

import java.time.temporal.Temporal;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Why a body cannot be read: where it is wrong, and what would be right, never more than that. */
public final class UnreadableBody {

  private static final int LONGEST = 300;
  private static final int LONGEST_ANSWER = 1000;
  private static final int LONGEST_NAME = 60;

  private UnreadableBody() {}

  /** In words for people, without a name of the code and without much of what was sent. */
  public static String why(@Nullable Throwable cause) {
    if (!(cause instanceof JacksonException json)) {
      return "a body of the right form is needed";
    }
    if (json instanceof UnrecognizedPropertyException unknown) {
      return "\"%s\" is not a key here; known keys: %s"
          .formatted(cut(unknown.getPropertyName(), LONGEST_NAME), unknown.getKnownPropertyIds());
    }
    if (json instanceof StrictReading.BadValueException bad) {
      return brief("\"%s\" %s".formatted(field(bad), bad.getOriginalMessage()));
    }
    if (json instanceof MismatchedInputException wrong) {
      String right = wanted(wrong.getTargetType());
      return wrong.getPath().isEmpty()
          ? "the body should be " + right
          : "\"%s\" has the wrong form: it should be %s".formatted(field(wrong), right);
    }
    if (!json.getPath().isEmpty()) {
      return "\"%s\" has the wrong form".formatted(field(json));
    }
    TokenStreamLocation at = json.getLocation();
    String where =
        at == null ? "" : " at line %d, column %d".formatted(at.getLineNr(), at.getColumnNr());
    String why =
        json instanceof StreamConstraintsException
            ? "it is nested too deep, or holds a word or a number that is too long"
            : json.getOriginalMessage();
    return brief("this is no JSON%s: %s".formatted(where, why));
  }

  /** A text that may repeat what was sent, as far as people read. */
  static String readable(String text) {
    return cut(text, LONGEST_ANSWER);
  }

  /** In one line, without what follows a name of the code, and not too long. */
  static String brief(String text) {
    int code = text.indexOf('`');
    String plain = code < 0 ? text : text.substring(0, code);
    return cut(plain.replaceAll("\\s+", " ").strip(), LONGEST);
  }

  private static String field(JacksonException e) {
    StringBuilder field = new StringBuilder();
    for (JacksonException.Reference step : e.getPath()) {
      if (step.getPropertyName() == null) {
        field.append('[').append(step.getIndex()).append(']');
      } else {
        field.append(field.isEmpty() ? "" : ".").append(step.getPropertyName());
      }
    }
    return cut(field.toString(), LONGEST_NAME);
  }

  private static String wanted(@Nullable Class<?> type) {
    if (type == null) {
      return "of another form";
    }
    if (type.isEnum()) {
      return "one of "
          + String.join(
              ", ", Arrays.stream(type.getEnumConstants()).map(Object::toString).toList());
    }
    if (type == String.class) {
      return "text";
    }
    if (type == Boolean.class || type == boolean.class) {
      return "true or false";
    }
    if (type == UUID.class) {
      return "an id like 6f2a1c9e-4b1d-4f6e-9a70-1d5f7c2e0b04";
    }
    if (Temporal.class.isAssignableFrom(type)) {
      return "a time like 2026-02-03T14:05:00Z";
    }
    if (List.class.isAssignableFrom(type) || Collection.class.isAssignableFrom(type)) {
      return "a list, like [a, b]";
    }
    return Number.class.isAssignableFrom(type) || type.isPrimitive()
        ? "a number"
        : "an object, like {\"key\": \"value\"}";
  }

  private static String cut(String text, int longest) {
    return text.length() <= longest ? text : text.substring(0, longest) + " ...";
  }
}
