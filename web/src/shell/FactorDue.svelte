<script lang="ts">
  import { session } from '../lib/session/session.svelte';
  import Door from './Door.svelte';
  import FactorSetup from './FactorSetup.svelte';

  /** The shop asks everybody for a second factor, and whoever signed in has none yet. */
</script>

<Door title="Set up your second factor">
  <p class="soft">This shop asks everybody for one: a code from the phone beside the password.</p>
  <FactorSetup ondone={() => undefined} />
  <button type="button" class="quiet-button" onclick={() => session.signOut(false)}>Sign out</button>
</Door>

<style>
  p {
    font-size: 0.9375rem;
    padding-bottom: 14px;
  }
  .quiet-button {
    display: block;
    margin-top: 14px;
  }
</style>
