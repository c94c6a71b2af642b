<script setup lang="ts">
import { chooseNotFound, newNotFound } from '@viatica/core/shape/notFound.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import EntryField from '../../parts/EntryField.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'

/** The page that hosts show for an address where there is none. */
const openSite = useOpenSite()
const chosen = useChosen()
const site = computed(() => openSite.shown)

const page = computed({
  get: () => site.value.settings.notFound ?? '',
  set: (id) => void openSite.makeOrTell(chooseNotFound(site.value, id === '' ? null : id)),
})
const canChoose = (id: string) => {
  const { plan } = site.value
  return id !== plan.home && plan.entries.get(id)?.kind === 'page'
}

function add(): void {
  const id = crypto.randomUUID()
  const today = new Date().toISOString().slice(0, 10)
  if (openSite.makeOrTell(newNotFound(site.value, id, today))) chosen.choose(id)
}
</script>

<template>
  <section aria-label="404 page">
    <h2>404 page</h2>
    <EntryField v-model="page" label="Shown where there is no page" :site="site" :can-choose="canChoose" />
    <p class="buttons">
      <Button v-if="page === ''" size="small" @click="add">Add a 404 page</Button>
      <Button v-else size="small" @click="page = ''">No 404 page</Button>
    </p>
    <p class="quiet hint">
      It stands outside menus and search engines, and its links lead from any address. Most hosts show the
      file 404.html by themselves; others are told by the rules that a host can get under Publish.
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}

h2 {
  margin-bottom: 10px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

.buttons {
  margin: 8px 0;
}

.hint {
  max-width: 52ch;
}
</style>
