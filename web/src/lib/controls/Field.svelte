<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  /** A line to type into, under its name. */
  let {
    label,
    value = $bindable(''),
    ...rest
  }: { label: string; value: string } & HTMLInputAttributes = $props();
</script>

<label>{label} <input {...rest} bind:value /></label>

<style>
  label {
    display: grid;
    gap: 4px;
    font-size: 0.875rem;
  }
  input {
    box-sizing: border-box;
    width: 100%;
    min-height: 44px;
    padding: 0 10px;
    font: inherit;
    background: var(--field);
    color: var(--ink);
    border: 1px solid var(--line);
  }
</style>
