<script setup lang="ts">
import IconLayoutSidebarRight from '~icons/tabler/layout-sidebar-right'
import IconX from '~icons/tabler/x'
import MountLater from '../../parts/MountLater.vue'
import { closePanel, isNarrow, openPanel, togglePanel } from '../../parts/panels.ts'

/**
 * How every stop is laid out: the work fills the middle, details of what is selected stand at the right, or open over the
 * work where that leaves no room for them.
 */
defineProps<{ detailsLabel: string; hasDetails: boolean }>()
</script>

<template>
  <main id="work" tabindex="-1" class="layout" :class="{ whole: !hasDetails || isNarrow }">
    <section class="work">
      <button
        v-if="hasDetails && isNarrow"
        type="button"
        class="plain-button opens"
        :aria-expanded="openPanel === 'details'"
        aria-controls="details"
        @click="togglePanel('details')"
      >
        <IconLayoutSidebarRight width="18" height="18" aria-hidden="true" />{{ detailsLabel }}
      </button>
      <slot />
    </section>
    <aside
      v-if="hasDetails"
      v-show="!isNarrow || openPanel === 'details'"
      id="details"
      class="details"
      tabindex="0"
      :class="{ over: isNarrow }"
      :aria-label="detailsLabel"
      @keydown.esc="isNarrow && closePanel()"
    >
      <button v-if="isNarrow" type="button" class="plain-button closes" @click="closePanel">
        <IconX width="18" height="18" aria-hidden="true" />Close
      </button>
      <MountLater><slot name="details" /></MountLater>
    </aside>
  </main>
</template>

<style scoped>
.layout:focus {
  outline: none;
}

.layout {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 300px;
  min-height: 0;
}

.whole {
  grid-template-columns: minmax(0, 1fr);
}

.work {
  /* What only those hear who do not see it is placed here, and must not make the window higher. */
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 10px 16px 14px;
  overflow-y: auto;
}

.opens {
  flex: none;
  align-self: flex-end;
  margin-bottom: 4px;
  border-color: #bdb79f;
}

.closes {
  display: flex;
  margin: -6px -6px 6px auto;
}

@media (max-width: 820px) {
  .work {
    padding: 8px 10px 12px;
  }
}

.details:focus-visible {
  outline-offset: -2px;
}

.details {
  min-height: 0;
  padding: 14px 16px 24px;
  overflow-y: auto;
  background: var(--card);
  border-left: 1px solid var(--rule);
}

.over {
  position: fixed;
  inset: 0 0 0 auto;
  z-index: 8;
  width: min(340px, 92vw);
  border-left: 2px solid var(--pine);
}
</style>
