<script lang="ts">
  import { Modal, TextInput } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { type Meter, type ShopMeter, reason } from '../../lib/api/client';
  import NotYet from '../../lib/controls/NotYet.svelte';

  /** A meter by the figures of its maker's sheet. */
  let {
    meter,
    onkeep,
    onclose
  }: {
    meter: Meter | undefined;
    onkeep: (meter: ShopMeter, version?: number) => Promise<void>;
    onclose: () => void;
  } = $props();

  type Figure = Exclude<keyof ShopMeter, 'id' | 'name' | 'category'>;
  const FIGURES: [key: Figure, words: string, scale: number][] = [
    ['counts', 'Counts of the display', 1],
    ['voltsAcShare', 'AC volts, ± % of reading', 0.01],
    ['voltsDcShare', 'DC volts, ± % of reading', 0.01],
    ['ohmsShare', 'Ohms, ± % of reading', 0.01],
    ['voltsOhms', 'Input on volts, MΩ', 1e6],
    ['lowImpedanceOhms', 'Input on low impedance, kΩ', 1e3],
    ['buzzerOhms', 'Beeps below, Ω', 1],
    ['leadOhms', 'Leads, Ω', 1],
    ['overLimitOhms', 'OL above, MΩ', 1e6]
  ];
  const USUAL: Omit<ShopMeter, 'id' | 'name' | 'category'> = {
    counts: 6000,
    voltsAcShare: 0.01,
    voltsDcShare: 0.005,
    ohmsShare: 0.009,
    voltsOhms: 1e7,
    lowImpedanceOhms: 3e5,
    buzzerOhms: 30,
    leadOhms: 0.1,
    overLimitOhms: 4e7
  };

  let id = $state(untrack(() => meter?.id ?? ''));
  let name = $state(untrack(() => meter?.name ?? ''));
  let category = $state(untrack(() => meter?.category ?? ''));
  let typed = $state(
    untrack(() =>
      Object.fromEntries(
        FIGURES.map(([key, , scale]) => [key, String(Number(((meter ?? USUAL)[key] / scale).toPrecision(6)))])
      )
    )
  );
  let error = $state('');

  async function keep() {
    if (!name.trim() || !id.trim()) {
      error = 'Give it a name, and an id in kebab case for readings to name it by, like bench-2.';
      return;
    }
    const figures = { ...USUAL };
    for (const [key, words, scale] of FIGURES) {
      const value = Number((typed[key] ?? '').replace(',', '.'));
      if (!Number.isFinite(value) || (typed[key] ?? '').trim() === '') {
        error = `${words}: a number is needed.`;
        return;
      }
      figures[key] = key === 'counts' ? Math.round(value) : value * scale;
    }
    try {
      await onkeep(
        { id: id.trim(), name: name.trim(), category: category.trim().toUpperCase(), ...figures },
        meter?.version
      );
    } catch (e) {
      error = reason(e);
    }
  }
</script>

<Modal
  open
  size="sm"
  modalHeading={meter ? `Change ${meter.name}` : 'Add a meter'}
  primaryButtonText="Keep"
  secondaryButtonText="Cancel"
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={keep}
>
  <NotYet {error} />
  <div class="fields">
    <TextInput labelText="Name" bind:value={name} maxlength={80} placeholder="Bench meter 2" />
    <TextInput
      labelText="Id, as readings name it"
      bind:value={id}
      maxlength={40}
      placeholder="bench-2"
      disabled={meter !== undefined}
    />
    <TextInput
      labelText="Category, as printed"
      bind:value={category}
      maxlength={16}
      placeholder="CAT III 600 V"
    />
    {#each FIGURES as [key, words] (key)}
      <TextInput labelText={words} bind:value={typed[key]} />
    {/each}
  </div>
  <p class="soft">What was read with it is judged by these figures from now on.</p>
</Modal>

<style>
  .fields {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.8rem 1rem;
  }
  p {
    font-size: 0.8125rem;
    padding-top: 0.8rem;
  }
</style>
