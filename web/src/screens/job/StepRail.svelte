<script lang="ts">
  import type { JobView } from '../../lib/api/client';

  /** The nine steps of a job. Walk the chain works; the rest is told on paper for now, and says so. */
  let { view }: { view: JobView } = $props();

  type State = 'done' | 'doubt' | 'now' | 'later';

  const supply = $derived(view.assessment.supply.verdict);
  const found = $derived(view.assessment.leading.confirmed || view.job.closedAt !== undefined);
  const confirming = $derived(view.plan.state === 'confirm');
  const clear = $derived(view.plan.state === 'clear');
  const steps = $derived<{ title: string; state: State; note: string }[]>([
    {
      title: 'Arrive',
      state: view.job.complaint ? 'done' : 'later',
      note: view.complaintTitle || 'no complaint told'
    },
    {
      title: 'Supply',
      state: supply === 'sound' ? 'done' : supply === 'unmeasured' ? 'later' : 'doubt',
      note: supply
    },
    { title: 'Get in', state: 'later', note: 'comes later' },
    {
      title: 'Walk the chain',
      state: confirming || clear || found ? 'done' : 'now',
      note: confirming || clear || found ? 'a suspect leads' : 'here'
    },
    {
      title: 'Confirm',
      state: found ? 'done' : confirming ? 'now' : clear ? 'doubt' : 'later',
      note: found ? 'by its own test' : confirming ? 'here' : clear ? 'not by its own test' : 'no suspect yet'
    },
    ...['Cause', 'Put right', 'Prove', 'Sign off'].map((title) => ({
      title,
      state: 'later' as const,
      note: 'comes later'
    }))
  ]);
</script>

<ol aria-label="Steps">
  {#each steps as step (step.title)}
    <li class={step.state} aria-current={step.state === 'now' ? 'step' : undefined}>
      <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
        <circle cx="7" cy="7" r="5" />
      </svg>
      <span>{step.title}<small>{step.note}</small></span>
    </li>
  {/each}
</ol>

<style>
  ol {
    list-style: none;
    margin: 0;
    padding: 7px 20px;
    display: grid;
    grid-template-columns: repeat(9, minmax(max-content, 1fr));
    gap: 1rem;
    background: var(--card);
    border-bottom: 1px solid var(--line);
  }
  li {
    display: flex;
    align-items: flex-start;
    gap: 8px;
    font-size: 0.875rem;
    line-height: 1.2;
    white-space: nowrap;
  }
  small {
    display: block;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  svg {
    flex: none;
    margin-top: 2px;
    fill: none;
    stroke-width: 3;
  }
  .done svg {
    stroke: var(--good);
  }
  .doubt svg {
    stroke: var(--bad);
  }
  .now {
    font-weight: 600;
  }
  .now svg {
    stroke: var(--brass-line);
    fill: var(--band);
  }
  .now small {
    font-weight: 400;
  }
  .later {
    color: var(--ink-soft);
  }
  .later svg {
    stroke: var(--ink-soft);
    stroke-width: 2;
    stroke-dasharray: 2 2;
  }
  @media (max-width: 1000px) {
    ol {
      position: relative;
      overflow: hidden;
      grid-template-columns: repeat(9, max-content);
      justify-content: space-between;
      gap: 0.4rem;
    }
    small {
      display: none;
    }
    .later span {
      position: absolute;
      clip-path: inset(50%);
    }
  }
  @media (max-width: 672px) {
    .done span,
    .doubt span {
      position: absolute;
      clip-path: inset(50%);
    }
  }
</style>
