<script setup lang="ts">
import IconArrowLeft from '~icons/tabler/arrow-left'
import { useEventListener } from '@vueuse/core'
import { Alert, Button, Input } from 'ant-design-vue'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { onBeforeRouteLeave, RouterLink, useRouter } from 'vue-router'
import ChoiceField from '../../parts/ChoiceField.vue'
import ModalDialog from '../../parts/ModalDialog.vue'
import ByteAccount from './ByteAccount.vue'
import DifferencesSection from './DifferencesSection.vue'
import { useExistingPages } from './existingPages.ts'
import type { Taken } from '../../workers/bringWorker.ts'
import FilesSection from './FilesSection.vue'
import IntakePanel from './IntakePanel.vue'
import PatternsSection from './PatternsSection.vue'
import PlacedSection from './PlacedSection.vue'
import TemplatesSection from './TemplatesSection.vue'
import { counted } from '../../parts/pages/steps.ts'
import WorkProgress from '../../parts/pages/WorkProgress.vue'
import { correctionWords } from './words.ts'

/** Takes a folder of existing pages in: what was found is seen, corrected and decided first. */
const router = useRouter()
const existing = useExistingPages()
const { overview, progress, trouble, notice, corrections, chosen } = existing

const SECTIONS = [
  { name: 'files', label: 'Files' },
  { name: 'templates', label: 'Templates' },
  { name: 'plan', label: 'Plan' },
  { name: 'patterns', label: 'Menus and links' },
  { name: 'differences', label: 'Differences' },
] as const
type Section = (typeof SECTIONS)[number]['name']
const section = ref<Section>('files')

const counts = computed((): Readonly<Record<Section, number>> => {
  const { report, pages, differences } = overview.value!
  return {
    files: report.files.length,
    templates: report.templates.length,
    plan: pages.length,
    patterns: overview.value!.patterns.length,
    differences: differences.length,
  }
})
const decidable = computed(() => overview.value!.differences.filter(({ choice }) => choice !== undefined))

const name = ref('')
const TAKEN = [
  { value: 'html', label: 'All of their HTML' },
  { value: 'content', label: 'Content and plan only' },
] as const
const taken = ref<Taken>('html')
const heading = ref<HTMLElement>()
let isNew = true
watch(overview, (seen) => {
  if (!seen) isNew = true
  else if (isNew) {
    isNew = false
    name.value = seen.name
    section.value = 'files'
    void nextTick(() => heading.value?.focus())
  }
})

let isStored = false
async function takeIn(): Promise<void> {
  if (name.value.trim() === '') {
    trouble.value = 'Give the site a name first.'
    return
  }
  const id = await existing.store(name.value.trim(), taken.value)
  if (id === undefined) return
  isStored = true
  await router.push({ name: 'plan', params: { id } })
}

// A window that is closed takes along what was worked out, too.
useEventListener(window, 'beforeunload', (event) => {
  if (overview.value && !isStored) event.preventDefault()
})

/** Where somebody wants to go with pages that were worked out and not taken in. */
const leaving = ref<string>()
onBeforeRouteLeave((to) => {
  if (!overview.value || isStored || leaving.value !== undefined) return true
  leaving.value = to.fullPath
  return false
})
function leave(): void {
  void router.push(leaving.value!)
}

onMounted(() => (document.title = 'From existing pages · Viatica'))
</script>

<template>
  <div class="screen" :class="{ seen: overview }">
    <header>
      <RouterLink :to="{ name: 'sites' }" class="back">
        <IconArrowLeft width="17" height="17" aria-hidden="true" /> Sites
      </RouterLink>
      <h1 ref="heading" tabindex="-1">From existing pages</h1>
      <nav v-if="overview" aria-label="What was found">
        <button
          v-for="one in SECTIONS"
          :key="one.name"
          type="button"
          :class="{ here: one.name === section }"
          :aria-current="one.name === section ? 'true' : undefined"
          @click="section = one.name"
        >
          {{ one.label }} <span class="count">{{ counts[one.name] }}</span>
        </button>
      </nav>
    </header>

    <main :aria-busy="progress !== undefined">
      <WorkProgress v-if="progress" :progress="progress" @stop="existing.stop" />
      <Alert
        v-if="trouble"
        class="trouble"
        type="error"
        role="alert"
        closable
        :message="trouble"
        @close="trouble = ''"
      />
      <Alert
        v-if="notice"
        class="trouble"
        type="info"
        role="status"
        closable
        :message="notice"
        @close="notice = ''"
      />
      <ul v-if="overview && corrections.length > 0" class="corrections" aria-label="Your corrections">
        <li v-for="(correction, at) in corrections" :key="at">
          {{ correctionWords(correction) }}
          <button type="button" class="link-button" @click="existing.takeBack(at)">Take back</button>
        </li>
      </ul>
      <IntakePanel v-if="!overview && !progress" @picked="existing.start" />
      <template v-if="overview">
        <FilesSection v-if="section === 'files'" :overview="overview" />
        <TemplatesSection v-else-if="section === 'templates'" :overview="overview" :existing="existing" />
        <PlacedSection v-else-if="section === 'plan'" :overview="overview" :existing="existing" />
        <PatternsSection v-else-if="section === 'patterns'" :overview="overview" />
        <DifferencesSection v-else :overview="overview" :existing="existing" />
      </template>
    </main>

    <footer v-if="overview">
      <ByteAccount :account="overview.account" />
      <p class="decided">
        <template v-if="taken === 'content'">
          Menus, header and footer will be Viatica’s own: only the content of the pages is kept.
        </template>
        <template v-else-if="decidable.length > 0">
          {{ chosen.length }} of {{ counted(decidable.length, 'difference') }} brought into line; the rest
          stays as it is.
        </template>
        <template v-else>No differences between the pages were found.</template>
      </p>
      <form class="take" @submit.prevent="takeIn">
        <label for="existing-taken">What to import</label>
        <ChoiceField id="existing-taken" :value="taken" :options="TAKEN" @change="(one) => (taken = one)" />
        <label for="existing-name">Name of the site</label>
        <Input id="existing-name" v-model:value="name" :maxlength="200" />
        <Button type="primary" html-type="submit" :disabled="progress !== undefined">
          Import {{ counted(overview.pages.length, 'page') }}
        </Button>
      </form>
    </footer>

    <ModalDialog
      :open="leaving !== undefined"
      title="Leave without importing the pages?"
      @close="leaving = undefined"
    >
      <p>Your corrections and decisions will be lost. The folder itself is not changed.</p>
      <template #buttons>
        <Button @click="leaving = undefined">Stay</Button>
        <Button type="primary" danger @click="leave">Leave</Button>
      </template>
    </ModalDialog>
  </div>
</template>

<style scoped>
.screen {
  display: flex;
  flex-direction: column;
  min-height: 100vh;
}

.seen {
  height: 100vh;
}

header {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: baseline;
  padding: 10px 20px 0;
  border-bottom: 1px solid var(--rule);
}

h1 {
  padding-bottom: 8px;
  font-size: 21px;
}

h1:focus {
  outline: none;
}

.back {
  display: flex;
  gap: 4px;
  align-items: center;
  align-self: center;
  min-height: 24px;
  padding-bottom: 6px;
}

nav {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}

nav button {
  padding: 4px 1px 8px;
  color: var(--ink);
  background: none;
  border: 0;
  border-bottom: 3px solid transparent;
  font: 500 15px/1.4 var(--sign);
  cursor: pointer;
}

nav button:hover {
  border-bottom-color: var(--rule);
}

nav .here,
nav .here:hover {
  border-bottom-color: var(--ochre);
  font-weight: 600;
}

.count {
  color: var(--slate);
  font: 400 13px var(--mono);
}

main {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  padding: 14px 20px;
  overflow: auto;
}

.corrections {
  flex: none;
  margin: 0;
  padding: 6px 12px;
  background: var(--here);
  list-style: none;
}

footer {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 6px 24px;
  align-items: center;
  padding: 8px 20px;
  background: var(--card);
  border-top: 1px solid var(--rule);
}

.decided {
  flex: 1 1 170px;
  margin: 0;
}

.take {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}

.take :deep(input),
.take select {
  width: 170px;
}

@media (max-width: 700px), (max-height: 500px) {
  .seen {
    height: auto;
  }

  /* The window scrolls as a whole: what is decided last stays in view. */
  footer {
    display: contents;
  }

  footer > * {
    margin-inline: 20px;
  }

  /* What gets the focus is not under it. */
  main :deep(*) {
    scroll-margin-bottom: 130px;
  }

  .decided {
    flex: none;
    margin-block: 6px;
  }

  .take {
    position: sticky;
    bottom: 0;
    z-index: 1;
    margin-inline: 0;
    padding: 6px 20px;
    background: var(--card);
    border-top: 1px solid var(--rule);
  }
}
</style>
