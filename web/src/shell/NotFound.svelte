<script lang="ts">
  import { link } from 'svelte-spa-router';
</script>

<div class="empty">
  <h1>There is no such page</h1>
  <p><a href="/" use:link>All jobs</a></p>
</div>

<style>
  .empty {
    padding: 4rem 20px;
    text-align: center;
  }
</style>
