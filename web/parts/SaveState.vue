<script setup lang="ts">
import IconAlertTriangle from '~icons/tabler/alert-triangle'
import IconCheck from '~icons/tabler/check'
import IconChevronDown from '~icons/tabler/chevron-down'
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDrafts } from '../stores/drafts.ts'
import { useOpenSite } from '../stores/openSite.ts'
import MenuButton, { type MenuEntry } from './MenuButton.vue'

/** Shows whether everything is saved, and lists the forms with content that is not. */
const openSite = useOpenSite()
const drafts = useDrafts()
const router = useRouter()

watch(
  () => openSite.id,
  (id) => void drafts.adopt(id),
  { immediate: true },
)
const unsaved = computed(() => drafts.of(openSite.id))

/** A form on the screen is emptied there. */
const entries = computed(() =>
  unsaved.value.flatMap(({ id, words }, at): MenuEntry[] => [
    { key: `open ${id}`, label: `Go to: ${words}`, begins: at > 0 },
    ...(drafts.isShown(id) ? [] : [{ key: `discard ${id}`, label: `Discard: ${words}` }]),
  ]),
)

function act(key: string): void {
  const [what, id] = key.split(' ') as [string, string]
  if (what === 'discard') drafts.remove(id)
  else void router.push(unsaved.value.find((draft) => draft.id === id)!.at)
}
</script>

<template>
  <MenuButton
    v-if="openSite.saveState === 'saved' && unsaved.length > 0"
    class="plain-button state"
    label="Not saved yet: show where"
    :entries="entries"
    @act="act"
  >
    Not saved yet <IconChevronDown width="14" height="14" aria-hidden="true" />
  </MenuButton>
  <p v-else class="state" :class="openSite.saveState" role="status">
    <template v-if="openSite.saveState === 'saved'"
      ><IconCheck width="16" height="16" aria-hidden="true" /> <span class="words">Saved</span></template
    >
    <template v-else-if="openSite.saveState === 'saving'">Saving …</template>
    <template v-else-if="openSite.saveState === 'typing'">Not saved yet</template>
    <template v-else><IconAlertTriangle width="16" height="16" aria-hidden="true" /> Could not save</template>
  </p>
</template>

<style scoped>
.state {
  display: flex;
  align-items: center;
  gap: 4px;
  margin: 0;
  white-space: nowrap;
}

/* Where there is hardly room, the sign alone says it to those who see it. */
@media (max-width: 400px) {
  .words {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}

.failed {
  padding: 3px 8px;
  background: var(--brick);
  border-radius: 3px;
}
</style>
