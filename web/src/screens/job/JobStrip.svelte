<script lang="ts">
  import type { JobView } from '../../lib/api/client';

  let { view, now }: { view: JobView; now: Date } = $props();

  const job = $derived(view.job);
  const about = $derived(
    [view.complaintTitle, job.unitModel, `${view.sheetTitle}, revision ${job.sheetRevision}`]
      .filter(Boolean)
      .join(' · ')
  );
  const readings = $derived(view.evidence.filter((e) => !e.struckAt).length);
  const minutes = $derived(
    Math.max(
      0,
      Math.round(
        ((job.closedAt ? new Date(job.closedAt) : now).getTime() - new Date(job.openedAt).getTime()) / 60_000
      )
    )
  );
</script>

<section aria-label="Job">
  <div>
    <h1>{job.unitTag} <span>{job.unitTitle === job.unitTag ? '' : job.unitTitle}</span></h1>
    <p class="soft">{about}</p>
  </div>
  <dl>
    <div>
      <dt>Permit</dt>
      <dd>{job.permit === 'live' ? 'Live permitted' : 'Isolated only'}</dd>
    </div>
    <div>
      <dt>So far</dt>
      <dd>
        {readings}
        {readings === 1 ? 'entry' : 'entries'} · {minutes < 600
          ? `${minutes} min`
          : `${Math.round(minutes / 60)} h`}
      </dd>
    </div>
    {#if job.technician}
      <div>
        <dt>Technician</dt>
        <dd>{job.technician}</dd>
      </div>
    {/if}
  </dl>
</section>

<style>
  section {
    background: var(--card);
    border-bottom: 1px solid var(--line);
    padding: 10px 20px;
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 8px 2rem;
  }
  h1 {
    font-size: 1.25rem;
    font-weight: 600;
    line-height: 1.4;
  }
  p,
  dt,
  dd {
    font-size: 0.875rem;
    line-height: 1.35;
  }
  dl {
    display: flex;
    gap: 2rem;
  }
  dt {
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  @media (max-width: 672px) {
    dl {
      gap: 1.25rem;
    }
  }
</style>
