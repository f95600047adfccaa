<script lang="ts">
  import type { Role } from '../../lib/api/client';
  import { ROLES } from './roles';

  /** What somebody may, in words. */
  let { role = $bindable() }: { role: Role } = $props();
</script>

<fieldset>
  <legend>Role</legend>
  {#each ROLES as [value, words] (value)}
    <label
      ><input type="radio" name="role" {value} bind:group={role} /> <span><b>{value}</b> {words}</span></label
    >
  {/each}
</fieldset>

<style>
  fieldset {
    display: grid;
    gap: 6px;
    padding: 14px 0;
    font-size: 0.875rem;
  }
  label {
    display: flex;
    gap: 8px;
    align-items: baseline;
  }
  legend {
    padding-bottom: 6px;
    font-size: 0.75rem;
  }
</style>
