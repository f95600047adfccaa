<script lang="ts">
  import type { JobView } from '../../../../lib/api/client';
  import { words } from '../../../../lib/format/format';
  import type { JobSession } from '../../JobSession.svelte';
  import StepFrame from '../StepFrame.svelte';
  import SupplyDrawing from './SupplyDrawing.svelte';

  /** What feeds the unit, measured before anything is opened where that can be done. */
  let { session, view }: { session: JobSession; view: JobView } = $props();

  const supply = $derived(view.assessment.supply);
  const measured = $derived(supply.verdict !== 'unmeasured');
  const sound = $derived(supply.verdict === 'sound');
  // what is typed goes where the plan would measure first
  const first = $derived(view.visit.supply.findIndex((p) => p.fields.some((f) => f.next)));

  async function read(
    picture: JobView['visit']['supply'][number],
    red: string,
    black: string,
    value: string
  ) {
    return session.answer({
      function: picture.function,
      situation: picture.situation,
      red,
      black,
      value,
      ...(session.how.meter ? { meter: session.how.meter } : {})
    });
  }
</script>

<StepFrame>
  {#if !session.live && !session.closed}
    <p class="card note">
      Isolated only: the supply is not measured. With a permit for live work it is the first reading; change
      it under <b>Method</b>.
    </p>
  {/if}
  {#each view.visit.supply as picture, i (picture.title)}
    <SupplyDrawing
      {picture}
      typed={i === first}
      disabled={!session.live || session.closed || session.busy}
      onread={(red, black, value) => read(picture, red, black, value)}
    />
  {/each}
  {#snippet aside()}
    <section class="card" aria-label="Supply" class:sound class:off={measured && !sound}>
      <h2>{measured ? words(supply.verdict) : 'Not measured yet'}</h2>
      {#each supply.because as why (why)}<p>{why}</p>{/each}
      {#if session.error}<p class="failed" role="alert">{session.error}</p>{/if}
      {#if !session.closed}
        <button
          type="button"
          class={measured ? 'main-button' : 'quiet-button'}
          data-key="Enter"
          onclick={() => session.turn(1)}>{measured ? 'Go on' : 'Go on without it'}</button
        >
      {/if}
    </section>
    <section class="card">
      <p class="soft">
        Live work: one hand, insulated probes, a meter proved before and after and of the category for this
        place. An outlet is read with the plug out; nothing is opened for this that need not be.
      </p>
    </section>
  {/snippet}
</StepFrame>

<style>
  .note,
  section {
    padding: 12px 16px;
    font-size: 0.9375rem;
    line-height: 1.45;
  }
  h2 {
    font-size: 1.125rem;
    font-weight: 600;
  }
  h2::first-letter {
    text-transform: uppercase;
  }
  p {
    padding-bottom: 6px;
  }
  .sound h2 {
    color: var(--good);
  }
  .off h2 {
    color: var(--bad);
  }
</style>
