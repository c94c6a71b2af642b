<script setup lang="ts">
import IconKeyboard from '~icons/tabler/keyboard'
import IconRipple from '~icons/tabler/ripple'
import { STATES } from '@viatica/core/plan/entry.ts'
import { computed, ref } from 'vue'
import RippleDialog from '../../parts/ripple/RippleDialog.vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useRipple } from '../../stores/ripple.ts'

defineEmits<{ keys: [] }>()
const openSite = useOpenSite()
const ripple = useRipple()
const showsRipple = ref(false)

const counts = computed(() => {
  const pages = [...openSite.shown.plan.entries.values()].filter((entry) => entry.kind === 'page')
  const states = STATES.map((state) => ({
    state,
    count: pages.filter((page) => page.state === state).length,
  }))
  const told = states.filter(({ count }) => count > 0).map(({ state, count }) => `${count} ${state}`)
  return `${pages.length} ${pages.length === 1 ? 'page' : 'pages'}: ${told.reverse().join(', ')}`
})
</script>

<template>
  <footer class="foot">
    <p class="last" role="status">
      <template v-if="openSite.lastWords">
        <IconRipple width="18" height="18" aria-hidden="true" />
        <span class="words"
          ><strong>{{ openSite.lastWords }}</strong
          ><template v-if="ripple.words">: {{ ripple.words }}</template></span
        >
        <button
          v-if="ripple.last && ripple.last.pages.length > 0"
          type="button"
          class="plain-button undo"
          @click="showsRipple = true"
        >
          Show
        </button>
        <button
          v-if="openSite.done.length > 0"
          type="button"
          class="plain-button undo"
          @click="openSite.undo"
        >
          Undo
        </button>
      </template>
      <span v-else class="quiet">Choose a page in the outline. Every change is saved by itself.</span>
    </p>
    <p class="quiet counts">{{ counts }}</p>
    <button type="button" class="plain-button" title="Keyboard shortcuts" @click="$emit('keys')">
      <IconKeyboard width="18" height="18" aria-hidden="true" /><span class="keys">Keyboard shortcuts</span>
    </button>
    <RippleDialog :open="showsRipple" @close="showsRipple = false" />
  </footer>
</template>

<style scoped>
.foot {
  display: flex;
  align-items: center;
  gap: 16px;
  padding: 0 12px 0 18px;
  background: #ece6d4;
  border-top: 1px solid var(--rule);
}

.foot p {
  margin: 0;
  white-space: nowrap;
}

.foot .quiet {
  color: #4f5e5d;
}

.last {
  display: flex;
  flex: 1;
  align-items: center;
  gap: 6px;
  min-width: 0;
}

.last svg {
  flex: none;
}

.words,
.last > .quiet {
  overflow: hidden;
  text-overflow: ellipsis;
}

@media (max-width: 820px) {
  .foot {
    gap: 4px;
    min-height: 32px;
    padding: 0 4px 0 10px;
  }

  .counts {
    display: none;
  }

  .keys {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}

.undo {
  color: var(--pine);
  font-weight: 600;
}
</style>
