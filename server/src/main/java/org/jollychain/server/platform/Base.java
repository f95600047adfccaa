package org.jollychain.server.platform;

import com.github.difflib.DiffUtils;
import com.github.difflib.UnifiedDiffUtils;
import java.util.List;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;

/** The revision a text was written from: saved over another's, it is held up once. */
public final class Base {

  private static final int LINES_AROUND = 3;

  /** The head of a unified diff: two lines that name files. */
  private static final int HEAD = 2;

  private Base() {}

  /**
   * @param base empty where nobody says
   * @param newest the revision that holds now
   * @param by who wrote it
   * @param text the text of a revision
   * @throws RefusedException when it is another, with the lines that changed
   */
  public static void refuseOlder(
      @Nullable Integer base, int newest, String by, IntFunction<String> text) {
    if (base != null && base != newest) {
      throw RefusedException.changed(
          "%s saved revision %d meanwhile; your text is from revision %d and is kept here. Saving again puts yours over it."
              .formatted(by.isEmpty() ? "Somebody" : by, newest, base),
          changes(text.apply(base), text.apply(newest)));
    }
  }

  /** The hunks of a unified diff: lines that begin with {@code @@}, a space, plus or minus. */
  private static List<String> changes(String before, String after) {
    List<String> lines = before.lines().toList();
    return UnifiedDiffUtils.generateUnifiedDiff(
            "", "", lines, DiffUtils.diff(lines, after.lines().toList()), LINES_AROUND)
        .stream()
        .skip(HEAD)
        .toList();
  }
}
