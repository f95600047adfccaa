package org.jollychain.server.bench;

import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.UUID;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.core.partcheck.Inputs;
import org.jollychain.core.partcheck.InvalidInputsException;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Makes the checks of the bench, and keeps what somebody wants kept. */
@Service
public class BenchService {

  private static final int MOST_LISTED = 200;
  private static final int LONGEST = 4000;

  private final BenchMapper results;

  BenchService(BenchMapper results) {
    this.results = results;
  }

  /**
   * @throws RefusedException when there is no such check
   * @throws InvalidInputsException when what was typed cannot be checked
   */
  CheckResult check(String key, Map<String, String> typed) {
    try {
      return PartChecks.answer(key, typed);
    } catch (NoSuchElementException e) {
      throw RefusedException.notFound(e.getMessage());
    }
  }

  List<KeptResult> latest() {
    return results.latest(MOST_LISTED);
  }

  /**
   * Keeps a result; sent again, it is kept once.
   *
   * @throws RefusedException when there is no such check, or the id is another result's
   * @throws InvalidInputsException when what was typed cannot be checked
   */
  @Transactional
  public void keep(UUID id, String key, Map<String, String> typed, String note, Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Keeping a result");
    CheckResult result = check(key, typed);
    String told = Inputs.told(typed);
    if (told.length() > LONGEST) {
      throw RefusedException.unprocessable(
          "What was typed is longer than %d letters; keep a part of it.".formatted(LONGEST));
    }
    KeptResult kept =
        new KeptResult(id, key, told, note.strip(), result.grade(), result.verdict(), stamp.at());
    if (results.insertIfNew(kept, stamp) == 0) {
      KeptResult before = results.find(id).orElseThrow();
      if (!before.checkKey().equals(key) || !before.typed().equals(told)) {
        throw RefusedException.conflict("There is another result with this id; make a new id.");
      }
    }
  }
}
