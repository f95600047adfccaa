<script lang="ts">
  import { sharedScale } from './scale';

  /** The strip of every link: the chosen one tinted, each to be pointed at. */
  let { selected, onselect }: { selected: number; onselect?: (riser: number) => void } = $props();

  const TOP = 18;
  const shared = sharedScale();
  const s = $derived(shared());
  const step = $derived((s.tread(s.path.risers.length).to - s.tread(0).from) / s.path.risers.length);
</script>

{#each s.path.risers as riser, i (riser.part)}
  <!-- the link strip beside the chart is the keyboard's way to choose; this is the pointer's -->
  <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
  <rect
    x={s.along(i) - step / 2}
    y={TOP}
    width={step}
    height={s.height - TOP}
    class:chosen={i === selected}
    onclick={() => onselect?.(i)}
  />
{/each}

<style>
  rect {
    fill: transparent;
    cursor: pointer;
  }
  .chosen {
    fill: var(--field);
  }
</style>
