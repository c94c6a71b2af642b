<script setup lang="ts">
import IconArrowBackUp from '~icons/tabler/arrow-back-up'
import IconArrowForwardUp from '~icons/tabler/arrow-forward-up'
import IconLayoutSidebar from '~icons/tabler/layout-sidebar'
import IconSettings from '~icons/tabler/settings'
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import IconButton from '../../parts/IconButton.vue'
import { isSlim, openPanel, togglePanel } from '../../parts/panels.ts'
import RouteLine from '../../parts/RouteLine.vue'
import SaveState from '../../parts/SaveState.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import TakeAway from './TakeAway.vue'

const emit = defineEmits<{ skip: []; downloaded: [] }>()

const openSite = useOpenSite()
const route = useRoute()

const ways = computed(() => [
  { name: 'Undo', icon: IconArrowBackUp, stack: openSite.done, run: openSite.undo },
  { name: 'Redo', icon: IconArrowForwardUp, stack: openSite.undone, run: openSite.redo },
])
</script>

<template>
  <header class="head">
    <a class="skip" href="#work" @click.prevent="emit('skip')">Skip to the work</a>
    <IconButton
      v-if="isSlim"
      :icon="IconLayoutSidebar"
      label="Outline"
      aria-controls="outline"
      :aria-expanded="openPanel === 'outline'"
      @click="togglePanel('outline')"
    />
    <RouterLink to="/" class="brand" title="All sites">
      <svg viewBox="0 0 40 40" width="36" height="36" aria-hidden="true">
        <path d="M18 5h5v31h-5z" fill="#f6f3ea" />
        <path d="M6 9h21l6 5.5L27 20H6z" fill="#f6f3ea" />
        <circle cx="13" cy="14.5" r="3" fill="#c98a12" />
      </svg>
      <span class="names">
        <span class="viatica">Viatica<span class="unseen">: all sites</span></span>
        <span class="site">{{ openSite.site!.settings.name }}</span>
      </span>
    </RouterLink>
    <RouteLine :site-id="openSite.id" />
    <div class="tools">
      <SaveState />
      <IconButton
        v-for="{ name, icon, stack, run } in ways"
        :key="name"
        :icon="icon"
        :disabled="stack.length === 0"
        :title="stack.length > 0 ? `${name}: ${stack.at(-1)!.words}` : undefined"
        :label="name"
        @click="run"
      />
      <RouterLink
        :to="{ name: 'settings', params: { id: openSite.id } }"
        class="plain-button"
        title="Settings"
        aria-label="Settings"
        :aria-current="route.name === 'settings' ? 'page' : undefined"
      >
        <IconSettings width="20" height="20" aria-hidden="true" />
      </RouterLink>
      <TakeAway @downloaded="$emit('downloaded')" />
    </div>
  </header>
</template>

<style scoped>
.head {
  position: relative;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 0 16px 0 14px;
  color: #fff;
  background: var(--pine);
}

.skip {
  position: fixed;
  top: 8px;
  left: 8px;
  z-index: 10;
  padding: 6px 12px;
  color: var(--ink);
  background: var(--card);
  border: 2px solid var(--pine);
}

.skip:not(:focus) {
  clip-path: inset(50%);
}

.brand {
  display: flex;
  align-items: center;
  gap: 8px;
  width: 262px;
  min-width: 0;
  color: #fff;
  text-decoration: none;
}

.brand svg {
  flex: none;
}

.brand:focus-visible,
.tools :focus-visible {
  outline-color: #fff;
}

.names {
  display: flex;
  flex-direction: column;
  min-width: 0;
}

.viatica {
  font: 600 20px/1.15 var(--sign);
}

.site {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.tools {
  display: flex;
  align-items: center;
  gap: 6px;
}

.head > .plain-button:hover {
  background: rgb(255 255 255 / 18%);
}

.head > :focus-visible {
  outline-color: #fff;
}

.tools a {
  color: inherit;
}

.tools a[aria-current] {
  box-shadow: inset 0 -3px 0 var(--ochre);
}

@media (max-width: 1100px) {
  .brand {
    width: 200px;
  }
}

@media (max-width: 820px) {
  .head {
    flex-wrap: wrap;
    gap: 2px 6px;
    padding: 4px 8px;
  }

  .brand {
    flex: 1;
    width: auto;
  }

  .brand svg {
    width: 26px;
    height: 26px;
  }

  .viatica {
    font-size: 15px;
  }

  .route {
    order: 1;
    width: 100%;
  }
}

@media (max-width: 480px) {
  .brand {
    min-width: 60px;
  }

  .viatica {
    display: none;
  }

  .tools {
    gap: 0;
  }

  .head {
    padding: 4px;
  }
}

.tools .plain-button:hover:not(:disabled) {
  background: rgb(255 255 255 / 18%);
}
</style>
