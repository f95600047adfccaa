<script lang="ts">
  import { link } from 'svelte-spa-router';
  import type { JobView } from '../../lib/api/client';
  import { duration, words } from '../../lib/format/format';
  import { session } from '../../lib/session/session.svelte';

  let {
    view,
    now,
    busy,
    onplan,
    onmove
  }: {
    view: JobView;
    now: Date;
    busy: boolean;
    onplan?: (() => void) | undefined;
    /** Goes on by the newest revision of the sheet. */
    onmove?: (() => void) | undefined;
  } = $props();

  const job = $derived(view.job);
  const about = $derived(
    [view.complaintTitle, job.unitModel, `${view.sheetTitle}, revision ${job.sheetRevision}`]
      .filter(Boolean)
      .join(' · ')
  );
  const left = $derived(Math.round(view.plan.expected.probes));
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
    <h1>
      <a href={`/units/${job.unitTag}`} use:link>{job.unitTag}</a>
      <span>{job.unitTitle === job.unitTag ? '' : job.unitTitle}</span>
    </h1>
    <p class="soft">
      {about}
      {#if onmove && view.newestRevision > job.sheetRevision}
        · <button type="button" class="quiet-button" disabled={busy} onclick={onmove}
          >Go on by revision {view.newestRevision}</button
        >
      {/if}
      {#if session.lead}· <a href={`/history?subject=job&key=${job.id}`} use:link>who changed what</a>{/if}
      {#if job.follows}· <a href={`/jobs/${job.follows}`} use:link>follows an earlier visit</a>{/if}
    </p>
  </div>
  <dl>
    <div>
      <dt>Permit</dt>
      <dd>
        {job.permit === 'live' ? 'Live permitted' : 'Isolated only'}{#if job.liveBy}<span class="soft"
            >&nbsp;by {job.liveBy}</span
          >{/if}
      </dd>
    </div>
    <div>
      <dt>Method</dt>
      <dd>
        {#if onplan}
          <button
            type="button"
            class="quiet-button"
            aria-label="Change the plan"
            disabled={busy}
            onclick={onplan}>{words(view.policy.method ?? 'mixed')}</button
          >
        {:else}{words(view.policy.method ?? 'mixed')}{/if}
      </dd>
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
    {#if onplan && view.plan.next.length > 0}
      <div>
        <dt>Left</dt>
        <dd>about {left} {left === 1 ? 'probe' : 'probes'} · {duration(view.plan.expected.minutes)}</dd>
      </div>
    {/if}
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
  h1 a {
    color: inherit;
    text-decoration: none;
  }
  h1 a:hover {
    text-decoration: underline;
  }
  p a {
    color: var(--good);
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
  dd button {
    padding: 0;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  dt {
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  @media (max-width: 672px) {
    dl {
      flex-wrap: wrap;
      gap: 4px 1.25rem;
    }
  }
</style>
