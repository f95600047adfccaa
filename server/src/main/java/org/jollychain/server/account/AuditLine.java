package org.jollychain.server.account;

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

  private static final int LONGEST = 60;

  /** As " by hild: permit live, live by hild". */
  String told() {
    String fields =
        what.propertyStream()
            .map(f -> f.getKey().replace('_', ' ') + " " + shortly(f.getValue()))
            .collect(Collectors.joining(", "));
    return "%s: %s".formatted(by.isEmpty() ? "" : " by " + by, fields);
  }

  private static String shortly(JsonNode value) {
    String text = value.isValueNode() ? value.asString() : value.toString();
    return text.length() > LONGEST ? text.substring(0, LONGEST) + " ..." : text;
  }
}
