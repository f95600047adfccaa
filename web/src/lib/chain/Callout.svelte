<script lang="ts">
  import type { PartAssessment } from '../api/client';
  import { volts } from '../format/format';
  import { sharedScale } from './scale';

  /** The riser of a link under suspicion, with what it drops. */
  let { riser, part }: { riser: number; part: PartAssessment } = $props();

  const LETTER = 6.6;
  const shared = sharedScale();
  const s = $derived(shared());
  const x = $derived(s.along(riser));
  const top = $derived(s.level(s.path.treads[riser]?.estimated ?? 0));
  const bottom = $derived(s.level(s.path.treads[riser + 1]?.estimated ?? 0));
  const text = $derived(part.measured ? `drops ${volts(part.measured.volts)}` : part.verdict);
  const detail = $derived(
    part.measured
      ? part.measured.ohms !== undefined
        ? `${Math.round(100 * part.measured.supplyShare)} % of the supply · ${part.verdict}`
        : `all of the supply · ${part.verdict}`
      : part.title
  );
  const wide = $derived(20 + LETTER * Math.max(text.length, detail.length));
  const left = $derived(x > s.width * 0.62 ? x - 10 - wide : x + 10);

  /** Where it hides no point's name: by the riser, or above or below one that is too short. */
  const y = $derived.by(() => {
    if (bottom - top >= 90) return (top + bottom) / 2 - 20;
    if (bottom - top >= 30) return top - 47;
    return bottom < s.height - 80 ? bottom + 14 : top - 74;
  });
</script>

<line x1={x} x2={x} y1={top} y2={bottom} class="suspect" />
<g transform="translate({left} {y})">
  <rect width={wide} height="42" rx="2" class="callout" />
  <text x="10" y="17" class="text">{text}</text>
  <text x="10" y="34">{detail}</text>
</g>

<style>
  line {
    stroke: var(--bad);
    stroke-width: 6;
  }
  rect {
    fill: var(--card);
    stroke: var(--bad);
  }
  text {
    fill: var(--ink);
    font-family: 'IBM Plex Sans', sans-serif;
    font-size: 12px;
  }
  .text {
    fill: var(--bad);
    font-weight: 600;
    font-size: 13px;
  }
</style>
