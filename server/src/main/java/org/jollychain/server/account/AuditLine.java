package org.jollychain.server.account;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.OffsetDateTime;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/**
 * One change, as the database noted it in the transaction that made it.
 *
 * @param by who signed in, by login; empty where nobody did
 * @param subject what kind of thing: job, sheet, guide, policy, meter, unit, person, token
 * @param key which one
 * @param act what was added or changed
 * @param what the fields that became something else, with what they became
 */
public record AuditLine(
    long id, OffsetDateTime at, String by, String subject, String key, String act, JsonNode what) {

  private static final int LONGEST = 90;

  /** What its fields became, in a line: "permit: live · live by: hild"; ids and times left out. */
  @JsonProperty
  public String told() {
    return what.propertyStream()
        .filter(f -> !f.getKey().equals("id") && !f.getKey().endsWith("_at"))
        .map(f -> "%s: %s".formatted(f.getKey().replace('_', ' '), shortly(f.getValue())))
        .collect(Collectors.joining(" · "));
  }

  private static String shortly(JsonNode value) {
    String text = value.isObject() ? flat(value) : value.isNull() ? "" : value.asString();
    if (text.isEmpty()) {
      return "none";
    }
    return text.length() > LONGEST ? text.substring(0, LONGEST) + " …" : text;
  }

  /** An object as its fields that say something. */
  private static String flat(JsonNode value) {
    return value
        .propertyStream()
        .filter(f -> f.getValue().isValueNode() && !f.getValue().asString("").isEmpty())
        .map(f -> f.getKey() + " " + f.getValue().asString())
        .collect(Collectors.joining(", "));
  }
}
