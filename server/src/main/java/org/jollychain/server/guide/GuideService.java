package org.jollychain.server.guide;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideReader;
import org.jollychain.core.sheet.Family;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.visit.SheetFinder;
import org.jollychain.server.platform.Base;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.jollychain.server.sheet.SheetService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps guides. */
@Service
public class GuideService {

  private static final int MOST_KEPT = 100;

  private final GuideMapper guides;
  private final SheetService sheets;
  private final Stamps stamps;
  private final LoadingCache<String, Guide> read =
      Caffeine.newBuilder().maximumSize(MOST_KEPT).build(GuideReader::read);

  GuideService(GuideMapper guides, SheetService sheets, Stamps stamps) {
    this.guides = guides;
    this.sheets = sheets;
    this.stamps = stamps;
  }

  List<GuideSummary> latest() {
    return guides.latest();
  }

  /**
   * @throws RefusedException when there is no such guide
   */
  List<GuideSummary> revisions(String key) {
    newest(key);
    return guides.revisions(key);
  }

  /**
   * @throws RefusedException when there is no such guide
   */
  GuideRevision newest(String key) {
    return guides
        .newest(key)
        .orElseThrow(
            () ->
                RefusedException.notFound(
                    "There is no guide \"%s\"%s."
                        .formatted(
                            key,
                            Nearest.suggestion(
                                key, guides.latest().stream().map(GuideSummary::key).toList()))));
  }

  /**
   * @throws RefusedException when there is no such revision
   */
  GuideRevision revision(String key, int revision) {
    return guides
        .find(key, revision)
        .orElseThrow(
            () ->
                RefusedException.notFound(
                    "There is no revision %d of a guide \"%s\".".formatted(revision, key)));
  }

  /** What new jobs of a family are guided by, if there is anything. */
  public Optional<GuideRevision> forFamily(Family family) {
    return guides.forFamily(family.toString());
  }

  /**
   * A revision as what it says.
   *
   * @throws RefusedException when there is no such revision
   */
  public Guide guide(String key, int revision) {
    return read.get(revision(key, revision).text());
  }

  /** Finds sheets of the library by the questions of the guides. */
  SheetFinder finder() {
    return new SheetFinder(
        sheets.latest().stream()
            .map(s -> sheets.sheet(s.key(), s.revision()))
            .map(s -> new SheetFinder.Candidate(s.key(), s.title(), s.family(), s.identify()))
            .toList(),
        guides.latest().stream().map(g -> guide(g.key(), g.revision())).toList());
  }

  /**
   * Saves a guide as a new revision; the text that is newest already makes none.
   *
   * @throws InvalidTextException when the text is no valid guide
   * @param base the revision it was written from, if that is to be held against the newest
   * @throws RefusedException when the guide calls itself otherwise, or was revised since the base
   */
  @Transactional
  public GuideRevision save(String key, String text, @Nullable Integer base) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Changing a guide");
    Guide guide = GuideReader.read(text);
    if (!guide.key().equals(key)) {
      throw RefusedException.unprocessable(
          "The guide calls itself \"%s\" and was sent as \"%s\"; make the two one."
              .formatted(guide.key(), key));
    }
    guides.lock(key);
    Optional<GuideRevision> newest = guides.newest(key);
    if (newest.isPresent() && newest.get().text().equals(text)) {
      return newest.get();
    }
    newest.ifPresent(
        n -> Base.refuseOlder(base, n.revision(), n.createdBy(), r -> revision(key, r).text()));
    int revision = newest.map(GuideRevision::revision).orElse(0) + 1;
    guides.insert(guide, guide.family().toString(), revision, text, now);
    return revision(key, revision);
  }
}
