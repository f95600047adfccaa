package org.jollychain.server.sheet;

import java.util.Arrays;
import java.util.List;
import org.jollychain.core.drawing.Drawing;
import org.jollychain.core.fault.WhatIf;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Shorthand;
import org.jspecify.annotations.Nullable;

/**
 * A sheet while it is being written, drawn and solved as far as it can be.
 *
 * @param yaml its text in format 1; empty where there is none yet
 * @param usable whether it could be saved as it stands
 * @param sheet the circuit, where it can be read
 * @param drawing laid out with the chosen path first
 * @param paths the staircases of the chosen situation
 * @param answer all points and parts in the chosen situation
 * @param assumptions what a shorthand left unsaid
 */
record SheetPreview(
    String yaml,
    boolean usable,
    @Nullable Sheet sheet,
    @Nullable Drawing drawing,
    List<WhatIf.Steps> paths,
    WhatIf.@Nullable Answer answer,
    List<Shorthand.Assumption> assumptions,
    List<Shorthand.Problem> problems) {

  /**
   * What the trade calls a kind of part.
   *
   * @param word the plain one
   */
  record Word(PartKind kind, PartKind.Role role, String word, List<String> synonyms) {}

  static final List<Word> WORDS =
      Arrays.stream(PartKind.values())
          .map(k -> new Word(k, k.role(), k.word(), k.synonyms()))
          .toList();
}
