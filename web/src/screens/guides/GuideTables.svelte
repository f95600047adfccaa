<script lang="ts">
  import type { GuideView } from '../../lib/api/client';
  import ShareBar from '../../lib/controls/ShareBar.svelte';
  import TableCard from '../../lib/controls/TableCard.svelte';
  import { duration, percent, words } from '../../lib/format/format';

  /** What a guide weighs: how often each cause is it, and how likely each outcome is with it. */
  let { guide }: { guide: GuideView } = $props();

  const causes = $derived(Object.values(guide.causes));
  const heaviest = $derived(Math.max(...causes.map((c) => c.weight)));
</script>

{#if guide.notes}<p class="soft notes">{guide.notes}</p>{/if}
<TableCard title="Causes" headings={['Cause', 'Weight', 'Makes open', 'Put right by', 'Kept away by']}>
  {#snippet rows()}
    {#each causes as c (c.id)}
      <tr>
        <td
          >{c.title}{#if c.soundCircuit}<small>also where no part has failed</small>{/if}</td
        >
        <td class="weight">{c.weight}<ShareBar share={c.weight / heaviest} /></td>
        <td class="wide">{c.opens.map(words).join(', ') || 'any'}</td>
        <td class="wide">{c.putRight.map((a) => guide.actions[a]?.title ?? a).join('; ')}</td>
        <td class="wide">{c.prevents.map((p) => guide.prevention[p]?.title ?? p).join('; ')}</td>
      </tr>
    {/each}
  {/snippet}
</TableCard>
<h2>Checks</h2>
<div class="checks">
  {#each Object.values(guide.checks) as check (check.id)}
    {@const outcomes = Object.values(check.outcomes)}
    <section class="card" aria-label={check.title}>
      <h3>{check.title}</h3>
      <p class="soft">
        {duration(check.minutes)}{check.power === 'any' ? '' : `, power ${check.power}`}{check.why
          ? `. ${check.why}`
          : ''}
      </p>
      <table>
        <thead>
          <tr
            ><th>With</th>{#each outcomes as title, i (i)}<th>{title}</th>{/each}</tr
          >
        </thead>
        <tbody>
          {#each Object.entries(check.given) as [cause, likely] (cause)}
            <tr>
              <td>{guide.causes[cause]?.title ?? cause}</td>
              {#each likely as p, i (i)}<td class="figure">{percent(p)}</td>{/each}
            </tr>
          {/each}
          <tr class="soft">
            <td>anything else</td>
            {#each check.otherwise as p, i (i)}<td class="figure">{percent(p)}</td>{/each}
          </tr>
        </tbody>
      </table>
    </section>
  {/each}
</div>

<style>
  .notes {
    max-width: 60rem;
    margin-bottom: 12px;
    font-size: 0.875rem;
  }
  .weight {
    width: 9rem;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  h2 {
    font-size: 0.875rem;
    font-weight: 600;
    color: var(--ink-soft);
    margin: 1.25rem 0 0.5rem;
  }
  .checks {
    columns: 2 28rem;
    column-gap: 16px;
  }
  section {
    break-inside: avoid;
    padding: 10px 14px 12px;
    margin-bottom: 14px;
    font-size: 0.875rem;
  }
  h3 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    margin-top: 6px;
  }
  th {
    text-align: left;
    font-size: 0.75rem;
    font-weight: 400;
    color: var(--ink-soft);
    padding-right: 8px;
    vertical-align: bottom;
  }
  td {
    border-top: 1px solid var(--line);
    padding: 3px 8px 3px 0;
  }
</style>
