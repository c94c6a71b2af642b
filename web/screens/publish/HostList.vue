<script setup lang="ts">
import IconPlus from '~icons/tabler/plus'
import IconServer from '~icons/tabler/server'
import { usePublishing, wayWords } from '../../stores/publishing.ts'

/** The hosts of the site, of which one is chosen; a new one is begun where none is. */
const publishing = usePublishing()
</script>

<template>
  <nav class="hosts" aria-label="Hosts">
    <ul>
      <li v-for="host in publishing.hosts" :key="host.id">
        <button
          type="button"
          class="row-button"
          :class="{ chosen: host.id === publishing.chosenId }"
          :aria-current="host.id === publishing.chosenId ? 'true' : undefined"
          @click="publishing.chosenId = host.id"
        >
          <IconServer width="18" height="18" aria-hidden="true" />
          <span class="words">
            <strong>{{ host.settings.name }}</strong>
            <span class="quiet">{{ wayWords(host) }}</span>
          </span>
        </button>
      </li>
    </ul>
    <button
      type="button"
      class="plain-button"
      :aria-current="publishing.chosenId === '' ? 'true' : undefined"
      @click="publishing.chosenId = ''"
    >
      <IconPlus width="16" height="16" aria-hidden="true" />New host
    </button>
  </nav>
</template>

<style scoped>
.hosts {
  min-width: 0;
}

ul {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}

.row-button {
  display: flex;
  gap: 8px;
  align-items: flex-start;
  width: 100%;
  padding: 6px 8px;
  text-align: left;
}

.row-button svg {
  flex: none;
  margin-top: 1px;
}

.words {
  display: grid;
  min-width: 0;
  overflow-wrap: anywhere;
  line-height: 1.3;
}

.words .quiet {
  font-size: 12px;
}

@media (max-width: 960px) {
  .hosts,
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    margin: 0;
  }
}
</style>
