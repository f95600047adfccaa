package org.jollychain.server.job;

import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jspecify.annotations.Nullable;

/**
 * A job in the list.
 *
 * @param readings not struck out
 * @param leading what leads while the job is open, as of its latest evidence; none until that is
 *     assessed
 * @param step where the work is while the job is open; empty until that is assessed
 * @param next what comes next, in words
 */
public record JobSummary(
    Job job,
    String complaintTitle,
    int readings,
    @Nullable Leading leading,
    String step,
    String next) {}
