<script setup lang="ts">
import IconFileImport from '~icons/tabler/file-import'
import { STARTERS } from '@viatica/core/starters/outlines.ts'
import { Alert, Button, Input } from 'ant-design-vue'
import { computed, defineAsyncComponent, nextTick, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { useAttempt } from '../../api/attempt.ts'
import { sitesApi } from '../../api/sites.ts'

/** Starts a site: empty, from a pasted list, from an outline of ours, or from a file. */
const emit = defineEmits<{ made: [site: { id: string }] }>()

/** What makes sites is loaded when one is made: the list of sites needs none of it. */
const NewFromList = defineAsyncComponent(() => import('./NewFromList.vue'))
const sites = () => import('./newSites.ts')

const name = ref('')
const start = ref('empty')
const { trouble, attempt } = useAttempt()
const isMaking = ref(false)
const pastes = ref(false)
const nameInput = ref<{ focus(): void }>()
const chooser = ref<HTMLInputElement>()

const STARTS = [
  { key: 'empty', name: 'Empty', about: 'a home page and nothing else' },
  { key: 'list', name: 'A pasted list', about: 'indented lines, bullets, headings, spreadsheet rows' },
  ...STARTERS,
]
const starter = computed(() => STARTERS.find(({ key }) => key === start.value))

async function make(work: () => Promise<{ id: string }>): Promise<void> {
  isMaking.value = true
  await attempt(async () => emit('made', await work()))
  isMaking.value = false
}

function begin(): void {
  if (name.value.trim() === '') {
    trouble.value = 'Give the new site a name first.'
    void nextTick(() => nameInput.value!.focus())
  } else if (start.value === 'list') pastes.value = true
  else {
    const [outline, called] = [starter.value, name.value.trim()]
    void make(async () => (await sites()).start(called, outline))
  }
}

async function fromFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  // A zip archive begins with “PK”.
  const isArchive = (await file.slice(0, 4).text()) === 'PK\u0003\u0004'
  const text = isArchive ? '' : await file.text()
  input.value = ''
  const isTable = /\.(csv|tsv)$/i.test(file.name)
  const typed = name.value.trim()
  const fileName = file.name.replace(/\.[^.]*$/, '').slice(0, 200)
  await make(async () =>
    isArchive
      ? sitesApi.createFromArchive(file, typed)
      : isTable
        ? (await sites()).startFromTable(text, typed || fileName)
        : sitesApi.createFromText(text, typed),
  )
}
</script>

<template>
  <section class="new" aria-labelledby="new-heading">
    <h2 id="new-heading">A new site</h2>
    <form @submit.prevent="begin">
      <label class="field-label" for="new-name">Site name</label>
      <Input
        id="new-name"
        ref="nameInput"
        v-model:value="name"
        :maxlength="200"
        placeholder="Name of the site"
      />
      <fieldset class="starts">
        <legend class="field-label">Start from</legend>
        <label v-for="one in STARTS" :key="one.key" :class="{ chosen: start === one.key }">
          <input v-model="start" type="radio" name="start" :value="one.key" />
          <span class="start-name">{{ one.name }}</span>
          <span class="about">{{ one.about }}</span>
        </label>
      </fieldset>
      <p class="row">
        <Button type="primary" html-type="submit" :loading="isMaking">Create site</Button>
        <span class="quiet">or</span>
        <Button :disabled="isMaking" @click="chooser?.click()">
          <span class="with-icon"><IconFileImport width="17" height="17" aria-hidden="true" /> Import …</span>
        </Button>
      </p>
      <p class="pages">
        <RouterLink :to="{ name: 'existing' }">From existing pages</RouterLink>
        <span class="quiet">a folder of HTML in which the menus were copied by hand</span>
      </p>
      <p class="quiet">
        A file can be a site file (JSON), an outline (OPML) or rows (CSV). A name typed above takes the place
        of its own.
      </p>
      <input
        ref="chooser"
        type="file"
        hidden
        accept=".json,.zip,.opml,.xml,.csv,.tsv"
        aria-label="Site file, outline or rows"
        @change="fromFile"
      />
    </form>
    <Alert v-if="trouble" type="error" role="alert" closable :message="trouble" @close="trouble = ''" />
    <NewFromList
      v-if="pastes"
      :name="name.trim()"
      :make="(site) => make(async () => (await sites()).store(site))"
      @close="pastes = false"
    />
  </section>
</template>

<style scoped>
.new {
  padding-left: 28px;
  border-left: 1px solid var(--rule);
}

h2 {
  margin-bottom: 12px;
  font-size: 19px;
}

.starts {
  display: grid;
  gap: 2px;
  margin: 14px 0;
  padding: 0;
  border: 0;
}

.starts label {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  gap: 0 9px;
  padding: 5px 8px;
  border-left: 4px solid transparent;
  cursor: pointer;
}

.starts label:hover {
  background: #f2eee0;
}

.starts .chosen {
  background: var(--card);
  border-left-color: var(--pine);
}

.starts input {
  width: 16px;
  height: 16px;
  margin: 3px 0 0;
  accent-color: var(--pine);
}

.start-name {
  font-weight: 500;
}

.about {
  grid-column: 2;
  color: var(--slate);
  font-size: 13px;
}

.pages {
  display: grid;
  padding: 8px 12px;
  background: var(--card);
  border-left: 4px solid var(--ochre);
}

.pages a {
  min-height: 24px;
  font-weight: 600;
}

.row,
.with-icon {
  display: flex;
  align-items: center;
  gap: 8px;
}

.with-icon {
  gap: 6px;
}

@media (max-width: 800px) {
  .new {
    padding-left: 0;
    border-left: 0;
  }
}
</style>
