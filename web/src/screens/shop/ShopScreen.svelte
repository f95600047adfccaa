<script lang="ts">
  import { Button, InlineLoading, InlineNotification } from 'carbon-components-svelte';
  import {
    api,
    type Meter,
    type ShopMeter,
    type ShopPolicy,
    type Upkeep,
    reason
  } from '../../lib/api/client';
  import { METHODS, ORDERS } from '../../lib/assessment/policy';
  import Away from '../../lib/controls/Away.svelte';
  import { ago, ohms } from '../../lib/format/format';
  import TableCard from '../../lib/controls/TableCard.svelte';
  import MeterDialog from './MeterDialog.svelte';
  import { link } from 'svelte-spa-router';
  import { session } from '../../lib/session/session.svelte';
  import { MINUTES } from './minutes';

  /** What the shop owns and how it works: its meters, and the policy a new job starts with. */
  let meters = $state.raw<Meter[]>();
  let shop = $state<ShopPolicy>();
  let upkeep = $state.raw<Upkeep>();
  let away = $state('');
  let error = $state('');
  let kept = $state(false);
  let editing = $state.raw<{ meter?: Meter }>();

  load();

  async function load() {
    try {
      away = '';
      [meters, shop] = await Promise.all([api.meters(), api.shopPolicy()]);
      if (session.lead) upkeep = await api.upkeep();
    } catch (e) {
      away = reason(e);
    }
  }

  async function trying(what: () => Promise<void>) {
    try {
      error = '';
      kept = false;
      await what();
    } catch (e) {
      error = reason(e);
    }
  }

  const keepPolicy = () =>
    trying(async () => {
      if (!shop) return;
      shop = await api.keepShopPolicy($state.snapshot(shop) as ShopPolicy);
      kept = true;
    });

  const retire = (meter: Meter) =>
    trying(async () => {
      meters = meter.retired ? await api.restoreMeter(meter.id) : await api.retireMeter(meter.id);
    });

  async function keepMeter(meter: ShopMeter, version?: number) {
    meters = await api.keepMeter(meter, version);
    editing = undefined;
  }

  const share = (value: number) => `${Number((100 * value).toPrecision(3))} %`;
</script>

<svelte:head><title>Shop · Jolly Chain</title></svelte:head>

<div class="plain-page">
  <h1>Shop</h1>
  <p class="ways">
    <a href="/people" use:link>People</a>
    {#if session.lead}<a href="/history" use:link>Who changed what</a>{/if}
  </p>
  {#if away}
    <Away title="The shop cannot be shown" why={away} onretry={load} />
  {:else if !meters || !shop?.policy.minutes}
    <InlineLoading description="Looking" />
  {:else}
    {#if error}
      <InlineNotification kind="error" title="Not yet" subtitle={error} lowContrast hideCloseButton />
    {/if}
    {#if upkeep}
      <section class="card upkeep" aria-label="How the data is kept">
        <h2>How the data is kept</h2>
        <p>
          {#if upkeep.lastCopy}
            Last nightly copy <b>{ago(upkeep.lastCopy)}</b>, {upkeep.copies} kept ·
          {/if}
          <span class="figure">{(upkeep.freeBytes / 1e9).toFixed(0)} GB</span> free on its disk
        </p>
        {#each upkeep.warnings as warning (warning)}<p class="warning">{warning}</p>{/each}
      </section>
    {/if}
    <TableCard
      title="Meters"
      headings={[
        'Name',
        'Id',
        'Category',
        'AC volts',
        'DC volts',
        'Ohms',
        'Input',
        'Low impedance',
        'Beeps below',
        'OL above',
        ''
      ]}
    >
      {#snippet rows()}
        {#each meters ?? [] as meter (meter.id)}
          <tr class:retired={meter.retired}>
            <th scope="row">{meter.name}{meter.retired ? ', out of use' : ''}</th>
            <td class="figure">{meter.id}</td>
            <td class="figure">{meter.category || 'not said'}</td>
            <td class="figure">{share(meter.voltsAcShare)}</td>
            <td class="figure">{share(meter.voltsDcShare)}</td>
            <td class="figure">{share(meter.ohmsShare)}</td>
            <td class="figure">{ohms(meter.voltsOhms)}</td>
            <td class="figure">{ohms(meter.lowImpedanceOhms)}</td>
            <td class="figure">{ohms(meter.buzzerOhms)}</td>
            <td class="figure">{Number((meter.overLimitOhms / 1e6).toPrecision(3))} MΩ</td>
            <td>
              <button type="button" class="quiet-button" onclick={() => (editing = { meter })}>Change</button>
              <button type="button" class="quiet-button" onclick={() => retire(meter)}
                >{meter.retired ? 'Back in use' : 'Out of use'}</button
              >
            </td>
          </tr>
        {/each}
      {/snippet}
    </TableCard>
    <p><Button size="small" kind="tertiary" on:click={() => (editing = {})}>Add a meter</Button></p>

    <section class="card policy" aria-label="Policy">
      <h2>How a new job is done</h2>
      <div class="fields">
        <label
          >Method <select bind:value={shop.policy.method}>
            {#each METHODS as [value, words] (value)}<option {value}>{words}</option>{/each}
          </select></label
        >
        <label
          >Order <select bind:value={shop.policy.order}>
            {#each ORDERS as [value, words] (value)}<option {value}>{words}</option>{/each}
          </select></label
        >
      </div>
      <h3>Minutes</h3>
      <div class="minutes">
        {#each MINUTES as [key, words] (key)}
          <label
            ><span>{words}</span>
            <input
              class="figure"
              type="number"
              min="0"
              max="1000"
              step="0.1"
              bind:value={shop.policy.minutes[key]}
            /></label
          >
        {/each}
        <label
          ><span>Price of a live measurement, beside its minutes</span>
          <input
            class="figure"
            type="number"
            min="0"
            max="1000"
            step="0.1"
            bind:value={shop.policy.exposureMinutes}
          /></label
        >
      </div>
      <div class="keep">
        <Button size="small" on:click={keepPolicy}>Keep</Button>
        {#if kept}<span class="soft" role="status">Kept. Jobs opened from now on start with it.</span>{/if}
      </div>
    </section>
  {/if}
</div>

{#if editing}
  <MeterDialog meter={editing.meter} onkeep={keepMeter} onclose={() => (editing = undefined)} />
{/if}

<style>
  .plain-page {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 14px;
  }
  h2 {
    font-size: 0.9375rem;
    font-weight: 600;
  }
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
    padding: 12px 0 4px;
  }
  .ways {
    display: flex;
    gap: 1.5rem;
  }
  .ways a {
    color: var(--good);
  }
  .retired {
    color: var(--ink-soft);
  }
  td button {
    padding: 0;
    margin-right: 0.75rem;
  }
  .upkeep {
    padding: 12px 14px;
    font-size: 0.875rem;
    line-height: 1.5;
  }
  .warning {
    color: var(--doubt);
  }
  .policy {
    padding: 12px 14px 14px;
  }
  .fields {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 2rem;
    padding-top: 8px;
    font-size: 0.875rem;
  }
  .minutes {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(21rem, 100%), 1fr));
    gap: 6px 2rem;
    font-size: 0.875rem;
    line-height: 1.3;
  }
  .minutes label {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 1rem;
  }
  select,
  input {
    font: inherit;
    background: var(--field);
    color: var(--ink);
    border: 0;
    border-bottom: 1px solid var(--ink-soft);
    padding: 5px 6px;
  }
  input {
    box-sizing: border-box;
    width: 5rem;
    text-align: right;
    font-family: 'IBM Plex Mono', monospace;
  }
  .keep {
    display: flex;
    align-items: center;
    gap: 1rem;
    padding-top: 14px;
    font-size: 0.875rem;
  }
</style>
