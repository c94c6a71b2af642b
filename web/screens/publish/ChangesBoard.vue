<script setup lang="ts">
import IconExternalLink from '~icons/tabler/external-link'
import { Alert, Button, Checkbox, Input, Spin } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref, useId } from 'vue'
import { RouterLink } from 'vue-router'
import { sitesApi } from '../../api/sites.ts'
import VirtualRows from '../../parts/VirtualRows.vue'
import { useLooking } from '../../stores/looking.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import { BECOMES, type Becomes, type ChangeRow, changeRows, SIGNS } from './changeRows.ts'
import ChangedFile from './ChangedFile.vue'
import ChangedPlan from './ChangedPlan.vue'
import { useFitToGo } from './fitToGo.ts'
import FoundFiles from './FoundFiles.vue'
import { counted, sizeWords } from './words.ts'

/** Whether the site is fit to go, what publishing would change on the host, and doing it. */
const publishing = usePublishing()
const looking = useLooking()
const openSite = useOpenSite()
onBeforeUnmount(looking.keepUp())
const id = useId()

const concerns = useFitToGo()
const errors = computed(() => (concerns.value ?? []).filter(({ isError }) => isError))
const isMeant = ref(false)

const rows = computed(() => (publishing.changes ? changeRows(publishing.changes.difference) : []))
const counts = computed(() =>
  BECOMES.map((becomes) => ({
    becomes,
    count: rows.value.filter((row) => row.becomes === becomes).length,
  })).filter(({ count }) => count > 0),
)
const only = ref<Becomes>()
const shown = computed(() => {
  const chosen = rows.value.filter((row) => row.becomes === only.value)
  return chosen.length > 0 ? chosen : rows.value
})
const looked = ref<ChangeRow>()
const archive = computed(() => sitesApi.archiveUrl(openSite.id, publishing.host!.settings.choices))
const pathOf = ({ before, after }: ChangeRow) => (after ?? before)!.path

/** Files of others that the last publication came upon, and that its author has not let go. */
const asks = computed(() => {
  const { newest, tried } = publishing
  if (tried?.isReached) return tried.found
  return newest?.state === 'asks' ? (newest.report.found ?? []) : []
})
const isLetGo = ref(false)
const canPublish = computed(
  () =>
    !publishing.underWay &&
    !publishing.isOrdering &&
    publishing.changes !== undefined &&
    (errors.value.length === 0 || isMeant.value) &&
    (asks.value.length === 0 || isLetGo.value),
)

async function publish(): Promise<void> {
  const letGo = asks.value.map(({ path, digest }) => ({ path, digest }))
  if (await publishing.publish(letGo)) isMeant.value = isLetGo.value = false
}
const last = computed(() => {
  const { newest } = publishing
  return newest && !publishing.underWay && newest.state !== 'done' ? newest : undefined
})
</script>

<template>
  <Spin v-if="!publishing.changes && !publishing.fault" class="waits" />
  <div v-else-if="publishing.changes" class="board">
    <section class="fit" aria-label="Ready to publish?">
      <h2>Ready to publish?</h2>
      <p v-if="concerns === undefined" class="quiet">Checking …</p>
      <p v-else-if="concerns.length === 0">No problems found.</p>
      <ul v-else>
        <li v-for="concern in concerns" :key="concern.words" :class="{ error: concern.isError }">
          {{ concern.words }}
          <RouterLink :to="concern.to">{{ concern.go }}</RouterLink>
        </li>
      </ul>
    </section>

    <section class="publish" aria-label="Publish">
      <Alert
        v-if="last && last.report.fault"
        type="error"
        show-icon
        class="last"
        :message="last.report.fault"
      />
      <FoundFiles v-if="asks.length > 0" v-model:let-go="isLetGo" :found="asks" />
      <Checkbox v-if="errors.length > 0" v-model:checked="isMeant">Publish with these errors</Checkbox>
      <div class="line">
        <Button type="primary" size="large" :disabled="!canPublish" @click="publish">Publish</Button>
        <Button size="large" :loading="publishing.isTrying" @click="publishing.tryHost">Check host</Button>
        <a
          v-if="publishing.changes.visitedAt && publishing.newest && publishing.newest.state !== 'done'"
          :href="publishing.changes.visitedAt"
          target="_blank"
          rel="noreferrer"
          class="visit"
          >Open the published site<IconExternalLink width="15" height="15" aria-hidden="true"
        /></a>
      </div>
      <p class="line">
        <label :for="`${id}-by`" class="field-label">Published by</label>
        <Input :id="`${id}-by`" v-model:value="publishing.by" class="by" placeholder="your name" />
      </p>
      <p v-if="publishing.tried" role="status" class="tried">
        <template v-if="!publishing.tried.isReached">
          {{ publishing.tried.words }}
          <Button v-if="publishing.tried.lacksFolder" size="small" @click="publishing.createFolder"
            >Create folder</Button
          >
        </template>
        <template v-else-if="publishing.tried.found.length + publishing.tried.missing.length === 0"
          >The host has what was published there, unchanged.</template
        >
        <template v-else-if="publishing.tried.missing.length > 0"
          >{{ counted(publishing.tried.missing.length, 'file') }} that
          {{ publishing.tried.missing.length === 1 ? 'was' : 'were' }} published
          {{ publishing.tried.missing.length === 1 ? 'is' : 'are' }} gone from the host, and will be sent
          again.</template
        >
      </p>
    </section>

    <section class="changes" aria-label="What changes">
      <h2>
        What changes
        <span class="quiet">
          {{ counted(publishing.changes.files, 'file') }}, {{ sizeWords(publishing.changes.bytes) }} in all;
          {{ publishing.changes.difference.same }} stay as they are
        </span>
        <a :href="archive" download class="archive">Download as ZIP</a>
      </h2>
      <p v-for="words in publishing.changes.leftOut" :key="words" class="quiet left-out">{{ words }}</p>
      <p v-if="rows.length === 0" class="nothing">Nothing changed: the host has the site as it is.</p>
      <template v-else>
        <p class="counts">
          <button
            v-for="{ becomes, count } in counts"
            :key="becomes"
            type="button"
            class="chip"
            :aria-pressed="only === becomes"
            @click="only = only === becomes ? undefined : becomes"
          >
            <b :class="['sign', becomes]" aria-hidden="true">{{ SIGNS[becomes] }}</b>{{ count }} {{ becomes }}
          </button>
        </p>
        <ChangedPlan :rows="rows" @look="looked = $event" />
        <VirtualRows :rows="shown" :row-height="30" label="Changed files" class="rows" :key-of="pathOf">
          <template #default="{ row }">
            <button type="button" class="row-button changed-file" @click="looked = row">
              <b :class="['sign', row.becomes]" aria-hidden="true">{{ SIGNS[row.becomes] }}</b>
              <span class="unseen">{{ row.becomes }}</span>
              <code class="path">{{ pathOf(row) }}</code>
              <span v-if="row.becomes === 'moved'" class="quiet">was {{ row.before!.path }}</span>
              <span class="quiet size">{{ sizeWords((row.after ?? row.before)!.size) }}</span>
            </button>
          </template>
        </VirtualRows>
      </template>
    </section>
    <ChangedFile v-if="looked" :row="looked" @close="looked = undefined" />
  </div>
</template>

<style scoped>
.board {
  display: grid;
  flex: 1;
  grid-template-rows: auto minmax(260px, 1fr);
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px 28px;
  min-height: 0;
}

h2 {
  margin-bottom: 6px;
  font-size: 16px;
}

h2 .quiet {
  margin-left: 6px;
  font:
    13px/1.4 Barlow,
    sans-serif;
}

.archive {
  float: right;
  font:
    14px/1.4 Barlow,
    sans-serif;
}

.changes {
  display: flex;
  flex-direction: column;
  grid-column: 1 / -1;
  min-height: 0;
}

.fit ul {
  margin: 0;
  padding-left: 18px;
}

.fit li {
  margin-bottom: 2px;
}

.fit li a {
  margin-left: 4px;
}

.error {
  color: var(--brick);
  font-weight: 500;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 4px;
}

.line .field-label {
  margin: 0;
}

p.line {
  margin: 8px 0 0;
}

.chip {
  padding: 2px 10px 2px 4px;
  color: inherit;
  background: var(--card);
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font: inherit;
  cursor: pointer;
}

.chip:hover,
.chip[aria-pressed='true'] {
  border-color: var(--pine);
}

.chip[aria-pressed='true'] {
  box-shadow: inset 0 0 0 1px var(--pine);
}

.by {
  width: 170px;
}

.visit {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}

.last {
  margin-bottom: 8px;
}

.tried {
  margin: 8px 0 0;
}

.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0 0 8px;
}

.left-out {
  margin: 0 0 4px;
}

.nothing {
  padding: 20px;
  text-align: center;
  background: var(--card);
  border: 1px solid var(--rule);
}

.rows {
  flex: 1;
  min-height: 120px;
}

.changed-file {
  display: flex;
  gap: 10px;
  align-items: center;
  width: 100%;
  height: 30px;
  padding: 0 10px;
  text-align: left;
}

.changed-file .path {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.size {
  margin-left: auto;
  white-space: nowrap;
}

.sign {
  display: inline-block;
  width: 18px;
  font-family: var(--mono);
  text-align: center;
}

.deleted {
  color: var(--brick);
}

.waits {
  margin: 40px auto;
}

@media (max-width: 960px) {
  .board {
    grid-template-rows: auto auto minmax(260px, 1fr);
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
