<script lang="ts">
  import type { Part, Sheet } from '../../lib/api/client';
  import { ohms, words } from '../../lib/format/format';

  /** Everything on a sheet as tables. */
  let { sheet }: { sheet: Sheet } = $props();

  const celsius = (value: number) => `${Number(value.toFixed(1))} °C`;

  function rating(part: Part): string {
    const said: string[] = [];
    if (part.load)
      said.push(`${ohms(part.load.ohms)}${part.load.powerFactor < 1 ? `, pf ${part.load.powerFactor}` : ''}`);
    if (part.load?.windingOhms !== undefined) said.push(`cold ${ohms(part.load.windingOhms)}`);
    if (part.winding) said.push(`${part.winding.volts} V from ${part.winding.primary}`);
    if (part.thermal) {
      const { acts, actsAtCelsius, returnsAtCelsius, reset } = part.thermal;
      said.push(`${acts} at ${celsius(actsAtCelsius)}`);
      said.push(
        returnsAtCelsius === undefined
          ? reset === 'manual'
            ? 'reset by hand'
            : 'never returns'
          : `back at ${celsius(returnsAtCelsius)}`
      );
    }
    if (part.curve) said.push(`±${Math.round(100 * part.tolerance)} % of its curve`);
    return said.join(', ');
  }
</script>

<p class="notes">{sheet.notes}</p>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<section class="card" aria-label="Parts" tabindex="0">
  <h2>Parts</h2>
  <table>
    <thead
      ><tr
        ><th>Part</th><th>Kind</th><th>Between</th><th>Made when</th><th>Rating</th><th>Feels</th><th>Body</th
        ><th>Notes</th></tr
      ></thead
    >
    <tbody>
      {#each Object.values(sheet.parts) as part (part.id)}
        <tr>
          <th scope="row">{part.title}</th>
          <td>{words(part.kind)}</td>
          <td class="figure">{part.from} – {part.to}</td>
          <td>{part.madeWhen || (part.load || part.curve || part.winding ? '' : 'always')}</td>
          <td>{rating(part)}</td>
          <td>{part.thermal || part.curve ? words(part.feels) : ''}</td>
          <td>{words(part.body ?? '')}</td>
          <td class="wide"
            >{part.notes}{part.partners.length
              ? ` Renew with: ${part.partners.map(words).join(', ')}.`
              : ''}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</section>

<div class="two">
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <section class="card" aria-label="Points" tabindex="0">
    <h2>Points</h2>
    <table>
      <thead><tr><th>Point</th><th>Where</th><th>Pin</th><th>Access</th></tr></thead>
      <tbody>
        {#each Object.values(sheet.points) as point (point.id)}
          <tr>
            <th scope="row" class="figure">{point.id}</th>
            <td class="wide">{point.title}</td>
            <td>{point.pin ?? ''}</td>
            <td>{words(point.access ?? '')}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
  <div class="stack">
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <section class="card" aria-label="Access" tabindex="0">
      <h2>Access</h2>
      <table>
        <thead><tr><th>Access</th><th>Minutes</th><th>After</th><th>Hazards</th></tr></thead>
        <tbody>
          {#each Object.values(sheet.access) as access (access.id)}
            <tr>
              <th scope="row" class="wide">{access.title}{access.power === 'off' ? ' (power off)' : ''}</th>
              <td class="figure">{access.minutes}</td>
              <td>{access.after.map(words).join(', ')}</td>
              <td class="wide">{access.hazards.join('; ')}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <section class="card" aria-label="Situations" tabindex="0">
      <h2>Situations</h2>
      <table>
        <thead><tr><th>Situation</th><th>Supply</th><th>Commands</th><th>Temperatures</th></tr></thead>
        <tbody>
          {#each Object.values(sheet.situations) as s (s.id)}
            <tr>
              <th scope="row" class="wide">{s.title}</th>
              <td>{s.supplyOn ? 'on' : 'off'}</td>
              <td class="wide">{s.commands.map((c) => sheet.commands[c]?.title ?? c).join('; ')}</td>
              <td class="wide"
                >{Object.entries(s.celsius)
                  .map(([place, t]) => `${words(place)} ${celsius(t)}`)
                  .join(', ')}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <section class="card" aria-label="Complaints" tabindex="0">
      <h2>Complaints</h2>
      <table>
        <thead><tr><th>Complaint</th><th>Runs</th><th>Does not run</th></tr></thead>
        <tbody>
          {#each Object.values(sheet.complaints) as c (c.id)}
            <tr>
              <th scope="row" class="wide">{c.title}</th>
              <td>{c.runs.map((p) => sheet.parts[p]?.title ?? p).join(', ')}</td>
              <td>{c.notRunning.map((p) => sheet.parts[p]?.title ?? p).join(', ')}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </section>
  </div>
</div>

<style>
  .notes {
    max-width: 60rem;
    font-size: 0.9375rem;
    line-height: 1.5;
    margin-bottom: 12px;
  }
  section {
    padding: 12px 14px;
    overflow-x: auto;
  }
  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 12px;
    margin-top: 12px;
    align-items: start;
  }
  .stack {
    display: grid;
    gap: 12px;
    min-width: 0;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
    margin-bottom: 6px;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.8125rem;
    line-height: 1.4;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 6px 14px 6px 0;
    border-bottom: 1px solid var(--line);
    white-space: nowrap;
  }
  thead th {
    font-weight: 400;
    color: var(--ink-soft);
  }
  tbody th {
    font-weight: 600;
  }
  .wide {
    white-space: normal;
    min-width: 9rem;
  }
  @media (max-width: 1000px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
