package org.jollychain.core.evidence;

/** Thrown when something entered cannot be a piece of evidence; nothing of it is kept. */
public final class EvidenceException extends RuntimeException {

  private final String field;

  /**
   * @param field the field at fault
   * @param message what is wrong and what would be right
   */
  public EvidenceException(String field, String message) {
    super(message);
    this.field = field;
  }

  public String field() {
    return field;
  }
}
