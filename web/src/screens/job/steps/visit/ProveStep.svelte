<script lang="ts">
  import type { JobView, Sheet } from '../../../../lib/api/client';
  import { amperes, duration } from '../../../../lib/format/format';
  import type { JobSession } from '../../JobSession.svelte';
  import Items from './Items.svelte';
  import ProofFigures from './ProofFigures.svelte';
  import RunTimeline from './RunTimeline.svelte';
  import Stopwatch from './Stopwatch.svelte';
  import StillMissing from './StillMissing.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** What shows that the repair holds, with what a clamp has to show at this unit and this supply. */
  let { session, view, sheet }: { session: JobSession; view: JobView; sheet: Sheet } = $props();

  let watching = $state<string>();
  const watched = $derived(view.visit.watches.find((w) => w.id === watching));

  const proofs = $derived(
    view.visit.proofs.map((p) => ({
      ...p,
      minutes: 0,
      due: true,
      title: p.minutes > 0 ? `${p.title} (within ${duration(p.minutes)})` : p.title
    }))
  );
  const figures = (id: string) => view.visit.proofs.find((p) => p.id === id)?.figures ?? [];
  /** What a clamp shows beside what the proofs ask for. */
  const currents = $derived(
    view.visit.currents.filter(
      (c) => !view.visit.proofs.some((p) => p.figures.some((f) => f.id.endsWith(`/${c.load}`)))
    )
  );
  const putRight = $derived(
    view.visit.actions.some((a) => a.answer === 'yes') || view.visit.simple.some((s) => s.answer === 'no')
  );
  const tell = $derived(session.closed ? undefined : session.tell.bind(session));
</script>

<StepFrame>
  {#if watched}
    <Stopwatch
      watch={watched}
      draft={`run ${session.id} ${watched.id}`}
      busy={session.busy}
      onkeep={(run) => session.tell('watched', watched.id, run)}
      onclose={() => (watching = undefined)}
    />
    {#if session.error}<p class="failed" role="alert">{session.error}</p>{/if}
  {/if}
  {#if proofs.length > 0}
    <Items
      title="It holds when"
      note="Everything back on, every wire in its place, covers on before power."
      items={proofs}
      answers={[
        ['yes', 'Holds'],
        ['no', 'Does not']
      ]}
      keys={!watched}
      busy={session.busy}
      ready={(item) => figures(item.id).length === 0 || figures(item.id).some((f) => f.read !== '')}
      onanswer={tell && ((item, value) => tell('proved', item.id, value))}
    >
      {#snippet detail(item, next)}
        {#if figures(item.id).length > 0}
          <ProofFigures
            figures={figures(item.id)}
            {next}
            busy={session.busy}
            onread={tell && ((id, typed) => tell('measured', id, typed))}
          />
        {/if}
      {/snippet}
    </Items>
    {#if session.error && !watched}<p class="failed" role="alert">{session.error}</p>{/if}
  {:else}
    <section class="card"><p class="soft">There is no guide for this family yet.</p></section>
  {/if}
  {#each view.visit.timelines as run, i (i)}
    <RunTimeline {run} before={view.visit.before.filter((b) => b.watch === run.watch).at(-1)} />
  {/each}
  {#snippet aside()}
    {#if view.visit.watches.length > 0 && tell}
      <section class="card" aria-label="Stopwatch">
        <h2>By the stopwatch</h2>
        {#each view.visit.watches as w (w.id)}
          <button
            type="button"
            class="quiet-button"
            disabled={w.id === watching}
            onclick={() => (watching = w.id)}>{w.title}</button
          >
        {/each}
      </section>
    {/if}
    {#if currents.length > 0}
      <section class="card" aria-label="Currents">
        <h2>{currents.length < view.visit.currents.length ? 'Other currents, hot' : 'Currents, hot'}</h2>
        <p class="soft">Computed for this unit at its supply as measured.</p>
        <table>
          <tbody>
            {#each currents as c (c.load)}
              <tr>
                <td>{c.title}<small>{c.situation}</small></td>
                <td class="figure">{amperes(c.amperes)}</td>
                <td class="figure soft">{amperes(c.low)} to {amperes(c.high)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </section>
    {/if}
    {#if tell && view.job.complaint && (putRight || view.visit.renewed.length > 0)}
      <section class="card" aria-label="Not over">
        <h2>Not over?</h2>
        {#if view.visit.renewed.length > 0}
          <p class="soft">
            If it still does it, sign off what was done and open a visit that follows: readings on the old
            part would mislead the search.
          </p>
        {:else}
          <p class="soft">What was put right may not be all. The search goes on with what that tells.</p>
          <button
            type="button"
            class="quiet-button"
            disabled={session.busy}
            onclick={() => tell('stays', view.job.complaint, '')}
            >It still does it: {sheet.complaints[view.job.complaint]?.title}</button
          >
        {/if}
      </section>
    {/if}
    {#if !session.closed}<StillMissing {view} />{/if}
  {/snippet}
</StepFrame>

<style>
  .failed {
    color: var(--bad);
  }
  section {
    padding: 10px 16px;
    font-size: 0.875rem;
  }
  section button {
    display: block;
    text-align: left;
  }
  section > .soft {
    font-size: 0.8125rem;
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    margin-top: 8px;
  }
  td {
    padding: 5px 0;
    border-top: 1px solid var(--line);
    vertical-align: top;
  }
  td + td {
    text-align: right;
    white-space: nowrap;
    padding-left: 10px;
  }
  small {
    display: block;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
</style>
