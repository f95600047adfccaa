<script lang="ts">
  import type { Tread } from '../api/client';
  import { sharedScale } from './scale';

  /** Thin dashes the sound unit, the strong line what is now believed. */
  const shared = sharedScale();
  const s = $derived(shared());

  function line(volts: (tread: Tread) => number): string {
    return s.path.treads
      .map((tread, i) => {
        const { from, to } = s.tread(i);
        const [a, b] = [s.at(from, volts(tread)), s.at(to, volts(tread))];
        return `${i === 0 ? 'M' : 'L'}${a.x} ${a.y} L${b.x} ${b.y}`;
      })
      .join(' ');
  }
</script>

<path d={line((t) => t.expected)} class="expected" />
<path d={line((t) => t.estimated)} class="believed" />

<style>
  path {
    fill: none;
  }
  .expected {
    stroke: var(--ink-soft);
    stroke-width: 1;
    stroke-dasharray: 3 3;
  }
  .believed {
    stroke: var(--brass-line);
    stroke-width: 2.6;
    stroke-linejoin: round;
  }
</style>
