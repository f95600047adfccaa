<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import NewJob from '../../../jobs/NewJob.svelte';
  import StillMissing from './StillMissing.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** How the visit ends, and the paper that is left behind. */
  let { session, view }: { session: JobSession; view: JobView } = $props();

  const OUTCOMES: [as: NonNullable<JobView['job']['closedAs']>, title: string, note: string][] = [
    ['repaired', 'Repaired', 'The cause is found or it is said why not, put right, and every proof holds.'],
    ['made-safe', 'Made safe and left off', 'It waits for a part or for another trade.'],
    [
      'not-reproduced',
      'No part warranted',
      'No test failed. Suspects are named; somebody comes back in a week.'
    ],
    ['service', 'Service visit', 'Nobody complained. Every proof was tried; what was found is in the words.'],
    ['declined', 'Declined', 'The customer does not want the repair.']
  ];

  let chosen = $state<(typeof OUTCOMES)[number][0]>();
  /** As it stands, unless another was chosen. */
  const as = $derived(chosen ?? (view.visit.ends || 'repaired'));
  let typed = $state<string>();
  let following = $state(false);
  const outcome = $derived(typed ?? view.visit.summary);
  const undone = $derived(view.visit.progress.filter((p) => p.state === 'doubtful'));

  async function close(event: SubmitEvent) {
    event.preventDefault();
    await session.close(as, outcome);
  }
</script>

<StepFrame>
  {#if session.closed}
    <section class="card" aria-label="Signed off">
      <h2>{OUTCOMES.find(([id]) => id === view.job.closedAs)?.[1] ?? 'Closed'}</h2>
      <p>{view.job.outcome}</p>
      <p>
        <a href={`/api/jobs/${session.id}/sheet.pdf`} target="_blank" rel="noopener">Job sheet as PDF</a>
        <a href={`/api/jobs/${session.id}/appointments.ics`}>Appointments for the calendar</a>
      </p>
      <button type="button" class="main-button" onclick={() => (following = true)}
        >Open a visit that follows</button
      >
    </section>
    {#if following}
      <NewJob tag={view.job.unitTag} follows={session.id} onclose={() => (following = false)} />
    {/if}
  {:else}
    <form class="card" aria-label="Sign off" onsubmit={close}>
      <h2>How it ends</h2>
      <fieldset>
        <legend class="soft">Outcome</legend>
        {#each OUTCOMES as [id, title, note], i (id)}
          <label>
            <input
              type="radio"
              name="as"
              value={id}
              checked={as === id}
              onchange={() => (chosen = id)}
              data-key={i + 1}
            />
            <span><b>{title}</b><small>{note}</small></span>
          </label>
        {/each}
      </fieldset>
      <label class="text" for="outcome">In words, for the customer</label>
      <textarea
        id="outcome"
        rows="5"
        maxlength="2000"
        value={outcome}
        oninput={(e) => (typed = e.currentTarget.value)}></textarea>
      {#if session.error}<p class="error" role="alert">{session.error}</p>{/if}
      <button
        type="submit"
        class="main-button"
        data-key="Enter"
        disabled={session.busy || outcome.trim() === ''}>Sign off</button
      >
    </form>
  {/if}
  {#snippet aside()}
    {#if !session.closed}<StillMissing {view} {as} />{/if}
    {#if undone.length > 0}
      <section class="card" aria-label="Doubtful">
        <h2>Doubtful</h2>
        {#each undone as step (step.step)}<p><b>{step.title}</b>: {step.note}</p>{/each}
      </section>
    {/if}
    {#if view.visit.prevention.length > 0}
      <section class="card" aria-label="Prevention">
        <h2>So that it does not come back</h2>
        {#each view.visit.prevention as p (p.id)}
          <p>{p.title} <span class="soft">every {p.months === 1 ? 'month' : `${p.months} months`}</span></p>
        {/each}
      </section>
    {/if}
  {/snippet}
</StepFrame>

<style>
  section,
  form {
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.45;
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
    padding-bottom: 4px;
  }
  fieldset {
    border: 0;
    padding: 0;
    margin: 0 0 10px;
  }
  fieldset label {
    display: flex;
    gap: 10px;
    padding: 6px 0;
    cursor: pointer;
  }
  legend,
  .text {
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  small {
    display: block;
    font-size: 0.8125rem;
    color: var(--ink-soft);
  }
  textarea {
    display: block;
    width: 100%;
    font: inherit;
    padding: 8px 10px;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
    margin: 3px 0 10px;
  }
  a {
    color: var(--good);
  }
  section .main-button {
    margin-top: 12px;
  }
  a + a {
    margin-left: 1.5rem;
  }
  .error {
    color: var(--bad);
    font-size: 0.875rem;
    padding-bottom: 8px;
  }
</style>
