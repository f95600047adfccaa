<script lang="ts">
  import { link } from 'svelte-spa-router';
  import type { JobSummary } from '../../lib/api/client';
  import { ago, percent } from '../../lib/format/format';

  /** A job in a list: at which unit, what is wrong, and where it stands or what it came to. */
  let { summary, unit = true }: { summary: JobSummary; unit?: boolean } = $props();

  const job = $derived(summary.job);
</script>

<li>
  <a href={`/jobs/${job.id}`} use:link class:short={!unit}>
    {#if unit}
      <span><b>{job.unitTag}</b> {job.unitTitle}<small class="soft">{job.unitPlace}</small></span>
    {/if}
    <span>
      {summary.complaintTitle || 'No complaint told'}
      <small class="soft">
        {job.technician}{job.technician ? ' · ' : ''}{ago(job.openedAt)} · {summary.readings}
        {summary.readings === 1 ? 'entry' : 'entries'}{job.follows ? ' · follows an earlier visit' : ''}
      </small>
    </span>
    {#if summary.leading}
      <span class="leading">
        <small class="soft">{summary.step || 'Leading'}{summary.next ? ': ' + summary.next : ''}</small>
        {summary.leading.title}
        <span class="soft">{percent(summary.leading.probability)}</span>
      </span>
    {:else}
      <span class="outcome">{job.outcome}</span>
    {/if}
  </a>
</li>

<style>
  li + :global(li) {
    border-top: 1px solid var(--line);
  }
  a {
    display: grid;
    grid-template-columns: 16rem 16rem 1fr;
    gap: 1.5rem;
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.4;
    color: inherit;
    text-decoration: none;
  }
  a.short {
    grid-template-columns: 16rem 1fr;
  }
  small {
    display: block;
    font-size: 0.8125rem;
  }
  .leading {
    border-left: 3px solid var(--brass-line);
    padding-left: 12px;
  }
  .outcome {
    font-size: 0.875rem;
  }
  @media (max-width: 800px) {
    a,
    a.short {
      grid-template-columns: 1fr;
      gap: 6px;
    }
  }
</style>
