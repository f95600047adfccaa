<script lang="ts">
  import type { Part, Sheet } from '../../lib/api/client';
  import { contactOf, feelsHeat, loadOf, sensorOf, sourceOf } from '../../lib/circuit/behaviour';
  import { ohms, words } from '../../lib/format/format';
  import TableCard from '../../lib/controls/TableCard.svelte';

  /** Everything on a sheet as tables. */
  let { sheet }: { sheet: Sheet } = $props();

  const celsius = (value: number) => `${Number(value.toFixed(1))} °C`;

  function rating(part: Part): string {
    const said: string[] = [];
    const load = loadOf(part)?.rating;
    if (load) said.push(`${ohms(load.ohms)}${load.powerFactor < 1 ? `, pf ${load.powerFactor}` : ''}`);
    if (load?.windingOhms !== undefined) said.push(`cold ${ohms(load.windingOhms)}`);
    const winding = sourceOf(part)?.winding;
    if (winding) said.push(`${winding.volts} V from ${winding.primary}`);
    const contact = contactOf(part);
    if (contact?.ohms !== undefined) said.push(ohms(contact.ohms));
    const thermal = contact?.thermal;
    if (thermal) {
      const { acts, actsAtCelsius, returnsAtCelsius, reset } = thermal;
      said.push(`${acts} at ${celsius(actsAtCelsius)}`);
      said.push(
        returnsAtCelsius === undefined
          ? reset === 'manual'
            ? 'reset by hand'
            : 'never returns'
          : `back at ${celsius(returnsAtCelsius)}`
      );
    }
    const sensor = sensorOf(part);
    if (sensor?.curve) said.push(`±${Math.round(100 * sensor.tolerance)} % of its curve`);
    return said.join(', ');
  }
</script>

<p class="notes">{sheet.notes}</p>

<TableCard
  title="Parts"
  headings={['Part', 'Kind', 'Between', 'Made when', 'Rating', 'Feels', 'Body', 'Notes']}
>
  {#snippet rows()}
    {#each Object.values(sheet.parts) as part (part.id)}
      <tr>
        <th scope="row">{part.title}</th>
        <td>{words(part.kind)}</td>
        <td class="figure">{part.from} – {part.to}</td>
        <td>{contactOf(part) ? contactOf(part)?.madeWhen || 'always' : ''}</td>
        <td>{rating(part)}</td>
        <td>{words(feelsHeat(part) ?? '')}</td>
        <td>{words(part.body ?? '')}</td>
        <td class="wide"
          >{part.notes}{part.partners.length
            ? ` Renew with: ${part.partners.map(words).join(', ')}.`
            : ''}</td
        >
      </tr>
    {/each}
  {/snippet}
</TableCard>

<div class="two">
  <TableCard title="Points" headings={['Point', 'Where', 'Pin', 'Access']}>
    {#snippet rows()}
      {#each Object.values(sheet.points) as point (point.id)}
        <tr>
          <th scope="row" class="figure">{point.id}</th>
          <td class="wide">{point.title}</td>
          <td>{point.pin ?? ''}</td>
          <td>{words(point.access ?? '')}</td>
        </tr>
      {/each}
    {/snippet}
  </TableCard>
  <div class="stack">
    <TableCard title="Access" headings={['Access', 'Minutes', 'After', 'Hazards']}>
      {#snippet rows()}
        {#each Object.values(sheet.access) as access (access.id)}
          <tr>
            <th scope="row" class="wide">{access.title}{access.power === 'off' ? ' (power off)' : ''}</th>
            <td class="figure">{access.minutes}</td>
            <td>{access.after.map(words).join(', ')}</td>
            <td class="wide">{access.hazards.join('; ')}</td>
          </tr>
        {/each}
      {/snippet}
    </TableCard>
    <TableCard title="Situations" headings={['Situation', 'Supply', 'Commands', 'Temperatures']}>
      {#snippet rows()}
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
      {/snippet}
    </TableCard>
    <TableCard title="Complaints" headings={['Complaint', 'Runs', 'Does not run']}>
      {#snippet rows()}
        {#each Object.values(sheet.complaints) as c (c.id)}
          <tr>
            <th scope="row" class="wide">{c.title}</th>
            <td>{c.runs.map((p) => sheet.parts[p]?.title ?? p).join(', ')}</td>
            <td>{c.notRunning.map((p) => sheet.parts[p]?.title ?? p).join(', ')}</td>
          </tr>
        {/each}
      {/snippet}
    </TableCard>
  </div>
</div>

<style>
  .notes {
    max-width: 60rem;
    font-size: 0.9375rem;
    line-height: 1.5;
    margin-bottom: 12px;
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
  @media (max-width: 1000px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
