<script setup lang="ts">
import { RouterLink, useRoute } from 'vue-router'

/** An address that leads nowhere. */
const route = useRoute()
const site = /^\/sites\/([^/]+)\//.exec(route.path)?.[1]
document.title = 'Not found · Viatica'
</script>

<template>
  <main>
    <h1>This address leads nowhere</h1>
    <p>
      Viatica has no screen at <code>{{ route.path }}</code>. It may have been typed or copied incompletely.
    </p>
    <p>
      <RouterLink v-if="site" :to="{ name: 'plan', params: { id: site } }">Open the site</RouterLink>
      <RouterLink to="/">All sites</RouterLink>
    </p>
  </main>
</template>

<style scoped>
main {
  max-width: 520px;
  margin: 18vh auto 0;
  padding: 0 24px;
}

code {
  overflow-wrap: anywhere;
}

a {
  margin-right: 18px;
}
</style>
