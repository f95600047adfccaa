<script lang="ts">
  import type { JobView, Sheet } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import PrintLines from '../../../../lib/print/PrintLines.svelte';
  import Items from './Items.svelte';
  import SetRows from './SetRows.svelte';
  import StillMissing from './StillMissing.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** What was done about the cause, and which parts were renewed by what. */
  let { session, view, sheet }: { session: JobSession; view: JobView; sheet: Sheet } = $props();

  const VERDICTS: Record<string, string> = {
    same: 'The same',
    different: 'Not the same',
    'not-readable': 'Nothing on it could be compared'
  };

  const leading = $derived(view.assessment.leading);
  let chosen = $state<string>();
  const inSets = $derived(view.visit.sets.flatMap((s) => s.members.map((m) => m.part)));
  const part = $derived(
    chosen ?? [leading.part, ...Object.keys(sheet.parts)].find((p) => p in sheet.parts && !inSets.includes(p))
  );
  /** Parts that are renewed, or about to be, and bear something worth reading. */
  const oldOnes = $derived(
    [leading.part, ...inSets].filter(
      (p, i, all) => all.indexOf(p) === i && view.print.asked.some((a) => a.part === p)
    )
  );
  let printed = $state('');

  const due = $derived(view.visit.actions.filter((a) => a.due || a.answer !== ''));
  const others = $derived(view.visit.actions.filter((a) => !a.due && a.answer === ''));
  const tell = $derived(session.closed ? undefined : session.tell.bind(session));

  async function renew(event: SubmitEvent) {
    event.preventDefault();
    if (part && (await session.tell('renewed', part, printed))) printed = '';
  }
</script>

<StepFrame>
  {#if due.length > 0}
    <Items
      title="For what was found"
      items={due}
      answers={[
        ['yes', 'Done'],
        ['no', 'Left out']
      ]}
      keys
      busy={session.busy}
      onanswer={tell && ((item, value) => tell('done', item.id, value))}
    />
  {/if}
  <section class="card renew" aria-label="Renewed">
    <h2>Renewed</h2>
    <p class="soft">
      Like for like: the same rating, the same reset, mounted as the old one. A part is condemned only by a
      failed test of its own.
    </p>
    {#each view.visit.renewed as r (r.part)}
      <p class="part" class:bad={r.verdict === 'different'}>
        <b>{r.title}</b>
        {r.printed || 'nothing printed on it'} · {r.verdict === 'same' && !r.read
          ? 'As on the sheet; the old one was not read'
          : VERDICTS[r.verdict]}{r.compared.length > 0 ? `: ${r.compared.join(', ')}` : ''}{r.differences
          .length > 0
          ? `: ${r.differences.join('; ')}`
          : ''}
        {#if !r.failed}<br /><span class="soft">No test of its own failed: renewed to prevent.</span>{/if}
      </p>
    {/each}
    {#if !session.closed}
      {#if oldOnes.length > 0}
        <details open={view.visit.renewed.length === 0}>
          <summary>Read the old one first</summary>
          <PrintLines
            print={view.print}
            sheet={view.job.sheetKey}
            parts={oldOnes}
            onkeep={session.keepFact.bind(session)}
            onstrike={(id) => void session.strikeFact(id)}
          />
        </details>
      {/if}
      {#each view.visit.sets as set (set.title)}
        <SetRows
          {set}
          busy={session.busy}
          onrenew={(id, text) => session.tell('renewed', id, text)}
          onkeepin={(id, why) => session.tell('kept', id, why)}
        />
      {/each}
      {#if view.visit.sets.length > 0}<h3>Another part</h3>{/if}
      <form onsubmit={renew}>
        <label>
          Part
          <select value={part} onchange={(e) => (chosen = e.currentTarget.value)}>
            {#each Object.values(sheet.parts) as p (p.id)}<option value={p.id}>{p.title}</option>{/each}
          </select>
        </label>
        <label class="grow">
          Printed on the new one
          <input
            bind:value={printed}
            data-typed
            maxlength="120"
            placeholder="L245-35F, 178 C, 5200 W 240 V, 16 A"
          />
        </label>
        <button type="submit" class="main-button" disabled={session.busy}>Renewed</button>
      </form>
    {/if}
    {#if session.error}<p class="error" role="alert">{session.error}</p>{/if}
  </section>
  {#snippet aside()}
    {#if !session.closed}<StillMissing {view} />{/if}
    {#if others.length > 0}
      <details class="card">
        <summary>Other work</summary>
        <Items
          title="Done beside it"
          items={others}
          answers={[['yes', 'Done']]}
          busy={session.busy}
          onanswer={tell && ((item, value) => tell('done', item.id, value))}
        />
      </details>
    {/if}
  {/snippet}
</StepFrame>

<style>
  .renew {
    padding: 10px 16px 14px;
    font-size: 0.875rem;
    line-height: 1.4;
  }
  h2 {
    font-size: 1rem;
    font-weight: 600;
  }
  .renew > .soft {
    font-size: 0.8125rem;
    line-height: 1.4;
    padding-top: 2px;
  }
  h3 {
    padding-top: 14px;
    font-size: 0.875rem;
    font-weight: 600;
  }
  .renew details {
    padding-top: 8px;
  }
  .renew summary {
    padding: 4px 0;
    font-size: 0.8125rem;
  }
  form .main-button {
    min-height: 40px;
  }
  summary {
    padding: 10px 16px;
    font-weight: 600;
    cursor: pointer;
  }
  .part {
    padding: 8px 0 0;
  }
  .part.bad {
    color: var(--bad);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 10px;
    padding-top: 12px;
  }
  label {
    display: grid;
    gap: 3px;
    font-size: 0.75rem;
    color: var(--ink-soft);
  }
  .grow {
    flex: 1 1 14rem;
  }
  select,
  input {
    min-height: 40px;
    font: inherit;
    font-size: 0.9375rem;
    padding: 0 10px;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
    width: 100%;
  }
  .error {
    color: var(--bad);
    padding-top: 6px;
  }
</style>
