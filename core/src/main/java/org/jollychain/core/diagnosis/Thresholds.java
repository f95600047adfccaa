package org.jollychain.core.diagnosis;

/**
 * From where on what is said, and the search ended. All of it is judgement, held against the
 * studies; no source.
 *
 * @param blamed a part this probably at fault has the verdict of its fault
 * @param doubted one less probably at fault may be called sound, if the evidence excludes that it
 *     is bad
 * @param excluded an open part that makes the evidence so much less likely is excluded
 * @param contradicted the same of a part that is bad in any other way
 * @param bearsOn evidence that leaves this of its likelihood to an open part does not bear on it
 * @param confirmed a suspect that has failed its own test is confirmed from here on
 * @param failedTest its own test has failed where a sound part makes its reading so much less
 *     likely
 * @param strong from here on a suspect is tested by itself
 * @param strongWithoutSuspect from here on it is believed that nothing is wrong, or that the sheet
 *     does not show it
 * @param shownWhenMisfit no more is shown while readings misfit
 * @param misfits so many readings that fit nothing make a misfit
 * @param misfitsOfLeak the same beside a leak to the case: a way to the case that the sheet does
 *     not have looks like a leak of a part near it, and hides it
 */
public record Thresholds(
    double blamed,
    double doubted,
    double excluded,
    double contradicted,
    double bearsOn,
    double confirmed,
    double failedTest,
    double strong,
    double strongWithoutSuspect,
    double shownWhenMisfit,
    int misfits,
    int misfitsOfLeak) {

  public static final Thresholds USUAL =
      new Thresholds(0.8, 0.2, 0.02, 0.05, 0.5, 0.9, 0.01, 0.9, 0.98, 0.9, 2, 1);
}
