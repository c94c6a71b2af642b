<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { childrenOf, entryOf, placeOf, walk } from '@viatica/core/plan/plan.ts'
import { fromSiteData } from '@viatica/core/plan/siteData.ts'
import type { Site } from '@viatica/core/plan/site.ts'
import { copyBranch, forAnotherSite } from '@viatica/core/shape/shape.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, onMounted, ref, shallowRef, useId, watch } from 'vue'
import { useAttempt } from '../../api/attempt.ts'
import { siteServer } from '../../api/siteServer.ts'
import type { SiteSummary } from '@viatica/core/protocol/sites.ts'
import { sitesApi } from '../../api/sites.ts'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import EntryField from '../EntryField.vue'
import LabelledChoice from '../LabelledChoice.vue'
import ModalDialog from '../ModalDialog.vue'

/** Copies an entry to anywhere in the plan or into another site. Its new title is asked for first. */
const emit = defineEmits<{ close: [] }>()

const openSite = useOpenSite()
const chosen = useChosen()
const id = useId()
const { plan } = openSite.shown
const source = chosen.id
const entry = entryOf(plan, source)
const oldTitle = entry.kind === 'page' ? entry.title : entry.label
const under = [...walk(plan, source)].length - 1

const title = ref('')
const withUnder = ref(true)
const withBody = ref(true)
const { trouble: fault, attempt } = useAttempt()
const titleInput = ref<{ focus(): void }>()

const sites = shallowRef<readonly SiteSummary[]>([])
const siteId = ref(openSite.id)
const other = shallowRef<{ site: Site; revision: number }>()
const target = computed(() => (siteId.value === openSite.id ? openSite.shown : other.value?.site))
const parent = ref<EntryId>(valueFor(plan.parents, source))

const sameTitle = computed(() => {
  const wanted = title.value.trim().toLowerCase()
  return [...(target.value?.plan.entries.values() ?? [])].some(
    (at) => (at.kind === 'page' ? at.title : at.label).toLowerCase() === wanted,
  )
})

onMounted(() => {
  titleInput.value!.focus()
  void attempt(async () => void (sites.value = await sitesApi.list()))
})
watch(siteId, (wanted) => {
  other.value = undefined
  if (wanted === openSite.id) return void (parent.value = valueFor(plan.parents, source))
  void attempt(async () => {
    const { site, revision } = await sitesApi.read(wanted)
    if (wanted !== siteId.value) return
    other.value = { site: fromSiteData(site), revision }
    parent.value = other.value.site.plan.home
  })
})

function copy(): void {
  if (title.value.trim() === '') return void (fault.value = 'Give the copy a title of its own first.')
  const branch = copyBranch(plan, source, {
    title: title.value.trim(),
    withUnder: withUnder.value,
    withBody: withBody.value,
    newId: () => crypto.randomUUID(),
  })
  const site = target.value!
  const siblings = childrenOf(site.plan, parent.value)
  if (siteId.value === openSite.id) {
    const isBeside = parent.value === plan.parents.get(source)
    const place = isBeside ? placeOf(site.plan, source) + 1 : siblings.length
    const refused = openSite.make({ kind: 'add', parent: parent.value, place, branches: [branch] })
    if (refused) return void (fault.value = refused)
    chosen.choose(branch.id)
    emit('close')
    return
  }
  void attempt(async () => {
    await siteServer(siteId.value).save({
      id: crypto.randomUUID(),
      base: other.value!.revision,
      change: {
        kind: 'add',
        parent: parent.value,
        place: siblings.length,
        branches: [forAnotherSite(branch, site.plan.home)],
      },
    })
    openSite.notice = `“${title.value.trim()}” was copied into ${site.settings.name}.`
    emit('close')
  })
}
</script>

<template>
  <ModalDialog open :title="`Copy “${labelOf(entry)}”`" @close="$emit('close')">
    <form :id="`${id}-form`" @submit.prevent="copy">
      <div class="field">
        <label class="field-label" :for="id">Title of the copy</label>
        <Input
          :id="id"
          ref="titleInput"
          v-model:value="title"
          :maxlength="300"
          :placeholder="`not “${oldTitle}” again`"
          :aria-describedby="`${id}-hint`"
        />
        <span :id="`${id}-hint`">
          <span v-if="sameTitle && title.trim() !== ''" class="field-fault">
            That site has “{{ title.trim() }}” already: two pages with one title are hard to tell apart.
          </span>
        </span>
      </div>
      <p v-if="under > 0">
        <Checkbox v-model:checked="withUnder">with what is under it ({{ under }})</Checkbox>
      </p>
      <p v-if="entry.kind === 'page'">
        <Checkbox v-model:checked="withBody">with its main content</Checkbox>
      </p>
      <LabelledChoice
        v-if="sites.length > 1"
        v-model="siteId"
        label="Into"
        :options="
          sites.map((site) => ({
            value: site.id,
            label: site.id === openSite.id ? 'this site' : site.name,
          }))
        "
      />
      <EntryField v-if="target" v-model="parent" label="Under" :site="target" :can-choose="() => true" />
      <p v-if="siteId !== openSite.id" class="quiet">
        Pictures stay with this site, and links to pages that are not copied lead nowhere there.
      </p>
      <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
    </form>
    <template #buttons>
      <Button @click="$emit('close')">Cancel</Button>
      <Button type="primary" html-type="submit" :form="`${id}-form`" :disabled="!target">Copy</Button>
    </template>
  </ModalDialog>
</template>
