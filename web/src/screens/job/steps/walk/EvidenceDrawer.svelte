<script lang="ts">
  import type { Entry, JobView, Sheet } from '../../../../lib/api/client';
  import FileButton from '../../../../lib/controls/FileButton.svelte';

  /** Every reading beside what was to be expected; struck ones stay visible. */
  let {
    view,
    sheet,
    open,
    onstrike,
    onimport,
    onproblem
  }: {
    view: JobView;
    sheet: Sheet;
    open: boolean;
    onstrike: (entry: Entry) => void;
    onimport: (csv: string) => void;
    onproblem: (message: string) => void;
  } = $props();

  const judged = $derived(new Map(view.assessment.evidence.map((j) => [j.id, j])));
  const standing = $derived(view.evidence.filter((e) => !e.struckAt));

  function said(entry: Entry): { place: string; shown: string } {
    const j = judged.get(entry.id);
    const { item } = entry;
    return j
      ? { place: j.place, shown: j.shown }
      : {
          place: item.across ?? item.through ?? item.part ?? `${item.red} to ${item.black}`,
          shown: item.value
        };
  }

  function short(entry: Entry): string {
    const { item } = entry;
    if (item.observation) return said(entry).place;
    const part = item.across ?? item.through;
    return part ? (sheet.parts[part]?.title ?? part) : `${item.red}–${item.black}`;
  }

  const time = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
</script>

<details class="card" {open}>
  <summary>
    <b>Evidence</b>
    <span class="latest figure">
      {#each standing.slice(-3) as entry (entry.id)}<span>{short(entry)} {said(entry).shown}</span>{/each}
    </span>
    <span class="soft">{standing.length === 1 ? '1 entry' : `${standing.length} entries`}</span>
  </summary>
  {#if view.evidence.length === 0}
    <p class="soft empty">Nothing yet. Put the probes where the card says and type what the meter shows.</p>
  {:else}
    <div class="scroll">
      <table>
        <thead>
          <tr
            ><th>No.</th><th>Where</th><th>In</th><th>Read</th><th>If sound</th><th>If the leader is right</th
            ><th>At</th><th></th></tr
          >
        </thead>
        <tbody>
          {#each view.evidence as entry (entry.id)}
            {@const j = judged.get(entry.id)}
            <tr class:struck={entry.struckAt}>
              <td class="figure">{entry.number}</td>
              <td>{said(entry).place}</td>
              <td>{sheet.situations[entry.item.situation]?.title}</td>
              <td class="figure read">{said(entry).shown}</td>
              <td class="figure">{j?.ifSound}</td>
              <td class="figure">{j?.expected}</td>
              <td class="figure">{time.format(new Date(entry.takenAt))}</td>
              <td>
                {#if entry.struckAt}
                  <span class="why">struck out: {entry.struckWhy}</span>
                {:else if !view.job.closedAt}
                  <button type="button" class="quiet-button" onclick={() => onstrike(entry)}
                    >Strike out</button
                  >
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  {#if view.assessment.account}<p class="soft account">Account: {view.assessment.account.text}</p>{/if}
  <div class="files">
    <a href={`/api/jobs/${view.job.id}/case`} download={`case-${view.job.unitTag}.yaml`}
      >Export as a case file</a
    >
    <a href={`/api/jobs/${view.job.id}/evidence.csv`} download={`evidence-${view.job.unitTag}.csv`}
      >Export as CSV</a
    >
    {#if !view.job.closedAt && !view.job.struckAt}
      <span class="forms">
        Route card:
        {#each ['pdf', 'svg', 'txt'] as form (form)}
          <a href={`/api/jobs/${view.job.id}/route.${form}`} target="_blank" rel="noreferrer">{form}</a>
        {/each}
      </span>
      <FileButton label="Import CSV" accept=".csv" ontext={onimport} onerror={onproblem} />
    {/if}
  </div>
</details>

<style>
  .files {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 1.5rem;
    padding: 6px 16px 12px;
    font-size: 0.875rem;
  }
  .forms {
    display: inline-flex;
    gap: 0.5rem;
  }
  .files a {
    color: var(--good);
  }
  summary {
    display: flex;
    gap: 1.25rem;
    align-items: baseline;
    padding: 9px 16px;
    cursor: pointer;
    font-size: 0.875rem;
  }
  .latest {
    flex: 1 1 0;
    min-width: 0;
    display: flex;
    gap: 1.25rem;
    overflow: hidden;
    white-space: nowrap;
    font-size: 0.8125rem;
    line-height: 1.5;
  }
  @media (max-width: 672px) {
    .latest {
      visibility: hidden;
      min-width: 0;
    }
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.8125rem;
  }
  th,
  td {
    text-align: left;
    padding: 5px 8px;
    border-top: 1px solid var(--line);
    white-space: nowrap;
  }
  th {
    font-weight: 400;
    color: var(--ink-soft);
  }
  th:first-child,
  td:first-child {
    padding-left: 16px;
  }
  thead th {
    white-space: normal;
    vertical-align: bottom;
  }
  .read {
    font-weight: 600;
  }
  .struck td {
    color: var(--ink-soft);
  }
  .struck .read {
    text-decoration: line-through;
  }
  .why {
    white-space: normal;
  }
  .empty,
  .account {
    padding: 6px 16px 10px;
    font-size: 0.8125rem;
  }
  .account {
    border-top: 1px solid var(--line);
  }
</style>
