package org.jollychain.core.partcheck;

import java.util.List;

/**
 * What an answer is drawn as: a line over an axis, bands across it, and one's own points.
 *
 * @param along what the axis shows, with its unit
 * @param up what the curve shows, with its unit; empty where everything lies on one axis
 * @param curve points of the line; empty where there is none
 * @param bands stretches of the axis and what they mean
 * @param points one's own
 */
public record Picture(
    String along, String up, List<CurvePoint> curve, List<Band> bands, List<Mark> points) {

  /** A point of a line. */
  public record CurvePoint(double x, double y) {}

  /** A stretch of the axis. */
  public record Band(double from, double to, String title, CheckResult.Grade grade) {}

  /** A point of one's own. */
  public record Mark(double x, double y, String title) {}

  /** Everything on one axis. */
  static Picture scale(String along, List<Band> bands, Mark... points) {
    return new Picture(along, "", List.of(), bands, List.of(points));
  }
}
