package org.jollychain.server.job;

/**
 * The state of a job that a decision rests on.
 *
 * @param version of the job as it was seen
 * @param changes how often its evidence had been added to or struck out
 */
public record Seen(int version, int changes) {

  public static Seen of(Job job) {
    return new Seen(job.version(), job.changes());
  }
}
