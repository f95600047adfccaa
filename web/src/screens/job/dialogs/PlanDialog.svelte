<script lang="ts">
  import {
    Modal,
    RadioButton,
    RadioButtonGroup,
    Select,
    SelectItem,
    TextInput
  } from 'carbon-components-svelte';
  import { untrack } from 'svelte';
  import { api, type Forecast, type Policy, reason } from '../../../lib/api/client';
  import { duration } from '../../../lib/format/format';
  import type { Failure } from '../JobSession.svelte';
  import { Attempt } from './attempt.svelte';
  import { METHODS, ORDERS } from '../../../lib/assessment/policy';

  /** How the job is done from here: permit, method, order, the price of live work, what is given up. */
  let {
    job,
    permit: permitNow,
    policy,
    onkeep,
    onclose
  }: {
    job: string;
    permit: string;
    policy: Policy;
    onkeep: (permit: string, policy: Policy) => Promise<Failure | undefined>;
    onclose: () => void;
  } = $props();

  let permit = $state(untrack(() => permitNow));
  let method = $state<string>(untrack(() => policy.method ?? 'mixed'));
  let order = $state<string>(untrack(() => policy.order ?? 'best-value'));
  let exposure = $state(untrack(() => String(policy.exposureMinutes)));
  let unreachable = $state.raw(untrack(() => policy.unreachable ?? []));
  let skipped = $state.raw(untrack(() => policy.skipped ?? []));

  let forecast = $state.raw<Forecast[]>();
  let unreckoned = $state('');
  const attempt = new Attempt();

  api
    .forecast(untrack(() => job))
    .then((f) => (forecast = f))
    .catch((e) => (unreckoned = reason(e)));

  const orderWords = new Map(ORDERS);
  const price = $derived(Number(exposure.replace(',', '.')));
  const wrong = $derived(!Number.isFinite(price) || price < 0 || price > 1000 || exposure.trim() === '');

  function keep() {
    if (wrong) return;
    const kept: Policy = {
      ...policy,
      method: method as NonNullable<Policy['method']>,
      order: order as NonNullable<Policy['order']>,
      exposureMinutes: price,
      unreachable,
      skipped
    };
    void attempt.make(() => onkeep(permit, kept), onclose);
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="How this job is done"
  primaryButtonText="Plan so"
  secondaryButtonText="As it was"
  primaryButtonDisabled={wrong || attempt.sending}
  hasForm
  on:click:button--secondary={onclose}
  on:close={onclose}
  on:submit={keep}
>
  <div class="fields">
    <RadioButtonGroup legendText="Permit" bind:selected={permit}>
      <RadioButton labelText="Isolated only" value="isolated" />
      <RadioButton labelText="Live permitted" value="live" />
    </RadioButtonGroup>
    <Select labelText="Method" bind:selected={method}>
      {#each METHODS as [value, words] (value)}<SelectItem {value} text={words} />{/each}
    </Select>
    <Select labelText="Order" bind:selected={order}>
      {#each ORDERS as [value, words] (value)}<SelectItem {value} text={words} />{/each}
    </Select>
    {#if forecast}
      <table>
        <caption class="soft">From here to the end, on average</caption>
        <tbody>
          {#each forecast as f (f.order)}
            <tr>
              <th scope="row">{orderWords.get(f.order)}</th>
              <td class="figure">{f.probes.toFixed(1)} probes</td>
              <td class="figure">{duration(f.minutes)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {:else}
      <p class="soft">{unreckoned || 'Reckoning what is left in each order …'}</p>
    {/if}
    <TextInput
      labelText="What a live measurement costs beside its minutes (min)"
      bind:value={exposure}
      invalid={wrong}
      invalidText="A number of minutes from 0 to 1000, like 0.5"
    />
    {#if unreachable.length > 0}
      <p>
        Out of reach:
        {#each unreachable as point, i (i)}
          <button
            type="button"
            class="quiet-button figure"
            onclick={() => (unreachable = unreachable.filter((p) => p !== point))}>{point} ×</button
          >
        {/each}
      </p>
    {/if}
    {#if skipped.length > 0}
      <p>
        {skipped.length} skipped.
        <button type="button" class="quiet-button" onclick={() => (skipped = [])}>Propose them again</button>
      </p>
    {/if}
    {#if attempt.error}<p class="failed" role="alert">{attempt.error}</p>{/if}
  </div>
</Modal>

<style>
  .fields {
    display: grid;
    gap: 1.1rem;
  }
  table {
    border-collapse: collapse;
    font-size: 0.875rem;
  }
  caption {
    text-align: left;
    font-size: 0.75rem;
    padding-bottom: 4px;
  }
  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 5px 12px 5px 0;
    border-top: 1px solid var(--line);
  }
  td {
    white-space: nowrap;
  }
  p {
    font-size: 0.875rem;
  }
  p button {
    margin-right: 0.75rem;
  }
</style>
