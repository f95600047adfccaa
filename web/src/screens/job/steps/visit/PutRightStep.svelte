<script lang="ts">
  import type { JobView, Sheet } from '../../../../lib/api/client';
  import type { JobSession } from '../../JobSession.svelte';
  import PrintLines from '../../../../lib/print/PrintLines.svelte';
  import Items from './Items.svelte';
  import RenewedParts from './RenewedParts.svelte';
  import SetRows from './SetRows.svelte';
  import StillMissing from './StillMissing.svelte';
  import StepFrame from '../StepFrame.svelte';

  /** What was done about the cause, and which parts were renewed by what. */
  let { session, view, sheet }: { session: JobSession; view: JobView; sheet: Sheet } = $props();

  const VERDICTS: Record<string, string> = {
    same: 'The same',
    listed: "Named by the maker's list",
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
  /** Renewed parts of which nobody has said yet that they are the right ones. */
  const unsettled = $derived(view.visit.renewed.filter((r) => !r.settled));

  const openSet = $derived(view.visit.sets.find((s) => s.members.some((m) => !m.renewed && !m.kept)));

  const due = $derived(view.visit.actions.filter((a) => a.due || a.answer !== ''));
  const others = $derived(view.visit.actions.filter((a) => !a.due && a.answer === ''));
  const tell = $derived(session.closed ? undefined : session.tell.bind(session));
  const renew = (id: string, text: string) => session.tell('renewed', id, text);
</script>

{#snippet one()}
  {#if part}
    <RenewedParts
      parts={[{ part, title: sheet.parts[part]?.title ?? part }]}
      keyed={!openSet && unsettled.length === 0}
      busy={session.busy}
      onrenew={renew}
    >
      <label>
        Part
        <select value={part} onchange={(e) => (chosen = e.currentTarget.value)}>
          {#each Object.values(sheet.parts) as p (p.id)}<option value={p.id}>{p.title}</option>{/each}
        </select>
      </label>
    </RenewedParts>
  {/if}
{/snippet}

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
        {#if !r.settled}<br /><span class="soft"
            >It protects: say what it bears beside the old one, or take it from the maker's list for this
            model.</span
          >{/if}
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
      {#if unsettled.length > 0}
        <RenewedParts parts={unsettled} keyed busy={session.busy} onrenew={renew} />
      {/if}
      {#each view.visit.sets as set (set.title)}
        <SetRows
          {set}
          keyed={set === openSet && unsettled.length === 0}
          busy={session.busy}
          onrenew={renew}
          onkeepin={(id, why) => session.tell('kept', id, why)}
        />
      {/each}
      {#if view.visit.sets.length > 0}
        <details>
          <summary>Another part</summary>
          {@render one()}
        </details>
      {:else}
        {@render one()}
      {/if}
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
  .renew details {
    padding-top: 8px;
  }
  .renew summary {
    padding: 4px 0;
    font-size: 0.8125rem;
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
  .error {
    color: var(--bad);
    padding-top: 6px;
  }
</style>
