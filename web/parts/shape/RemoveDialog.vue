<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { childrenOf, entryOf, walk } from '@viatica/core/plan/plan.ts'
import type { BrokenLink } from '@viatica/core/ripple/broken.ts'
import { isWritten } from '@viatica/core/plan/site.ts'
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { type LinksToRemoved, removedBy, successorsOf } from '@viatica/core/shape/removal.ts'
import type { UnderRemoved } from '@viatica/core/shape/shape.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { Button, RadioGroup, Spin } from 'ant-design-vue'
import { computed, ref, shallowRef, useId, watch } from 'vue'
import { useOpenSite } from '../../stores/openSite.ts'
import { useShaping } from '../../stores/shaping.ts'
import type { Foreseen } from '../../workers/siteWorker.ts'
import { siteWork } from '../../workers/siteWork.ts'
import ChoiceField from '../ChoiceField.vue'
import EntryField from '../EntryField.vue'
import ModalDialog from '../ModalDialog.vue'

/**
 * Asks before entries are removed: what becomes of the pages under them, of their addresses, and of the links to them. All of it
 * is one step.
 */
defineEmits<{ close: [] }>()

const SHOWN = 8
const id = useId()

const openSite = useOpenSite()
const shaping = useShaping()
const site = openSite.shown
const { plan } = site
const going = shaping.movable

const under = ref<UnderRemoved>('go-too')
const foreseen = shallowRef<Foreseen>()

const gone = computed(() => removedBy(site, going, under.value))
/** The addresses that end. */
const ended = computed(() => {
  const { paths } = addressesOf(site)
  return [...gone.value].flatMap((id) => (isWritten(site, plan.entries.get(id)) ? [valueFor(paths, id)] : []))
})
const canLeadTo = (id: EntryId) => !gone.value.has(id) && isWritten(site, plan.entries.get(id))

/** What no id of an entry can be. */
const NONE = ' none'
const OTHER = ' other'
/** Where the addresses redirect: nowhere, to a page that is proposed, or to another one. */
const redirect = ref<string>(NONE)
const other = ref<EntryId>(plan.home)
const redirects = computed(() => [
  { value: NONE, label: 'no redirect' },
  ...successorsOf(site, gone.value).map((id) => ({
    value: id,
    label: `redirect to “${labelOf(entryOf(plan, id))}”`,
  })),
  { value: OTHER, label: 'redirect to another page …' },
])
const to = computed(() => {
  const id = redirect.value === OTHER ? other.value : redirect.value
  return redirect.value !== NONE && canLeadTo(id) ? id : undefined
})

const links = ref<LinksToRemoved>('stay')
const linkChoices = computed(() => [
  { value: 'stay' as const, label: 'stay, and Proof reports them' },
  ...(to.value === undefined
    ? []
    : [{ value: 'follow' as const, label: `lead to “${labelOf(entryOf(plan, to.value))}”` }]),
  { value: 'text' as const, label: 'become plain text, in page texts' },
])
// Links cannot follow to a page that is not chosen any more.
watch(to, (page) => {
  if (page === undefined && links.value === 'follow') links.value = 'stay'
})
watch(under, () => {
  if (!redirects.value.some(({ value }) => value === redirect.value)) redirect.value = NONE
})

const change = computed(() => shaping.removal({ under: under.value, to: to.value, links: links.value }))
/** The same with all links as they are: what would break. */
const plainChange = computed(() => shaping.removal({ under: under.value, to: undefined, links: 'stay' }))
const isPlain = computed(() => to.value === undefined && links.value === 'stay')
const broken = shallowRef<readonly BrokenLink[]>()

const hasUnder = going.some((id) => childrenOf(plan, id).length > 0)
const along = going.flatMap((id) => [...walk(plan, id)].slice(1).map(({ entry }) => labelOf(entry)))
const title =
  going.length === 1 ? `Remove “${labelOf(entryOf(plan, going[0]!))}”?` : `Remove ${going.length} entries?`
const CHOICES = [
  { value: 'go-too', label: `go too (${along.length})` },
  { value: 'move-up', label: 'move up to stand in its place' },
]

function brokenWords({ kind, label }: BrokenLink): string {
  switch (kind) {
    case 'text':
      return `in the text of “${label}”`
    case 'link':
      return `the link “${label}”`
    case 'surround':
      return label
  }
}

watch(
  [change, plainChange],
  async ([wanted, plain], [, before]) => {
    foreseen.value = undefined
    if (!wanted || !plain) return
    if (plain !== before) broken.value = undefined
    const answer = await siteWork.foresee(wanted)
    if (wanted !== change.value) return
    if (typeof answer === 'string') {
      openSite.notice = answer
      return
    }
    foreseen.value = answer
    if (broken.value) return
    const bare = isPlain.value ? answer : await siteWork.foresee(plain)
    if (plain === plainChange.value && typeof bare !== 'string') broken.value = bare.broken
  },
  { immediate: true },
)
</script>

<template>
  <ModalDialog open :title="title" @close="$emit('close')">
    <template v-if="hasUnder">
      <p id="under-removed">What is under it shall</p>
      <RadioGroup v-model:value="under" aria-labelledby="under-removed" :options="CHOICES" />
      <ul v-if="under === 'go-too'" class="goes-list">
        <li v-for="(label, at) in along.slice(0, SHOWN)" :key="at">{{ label }}</li>
        <li v-if="along.length > SHOWN">and {{ along.length - SHOWN }} more</li>
      </ul>
    </template>
    <Spin v-if="!foreseen" />
    <template v-else>
      <p>
        <strong>{{ rippleWords(foreseen.ripple) }}</strong>
      </p>
    </template>
    <template v-if="ended.length > 0">
      <label class="field-label" :for="`${id}-address`">{{
        ended.length === 1 ? `Old address: ${ended[0]}` : `Old addresses (${ended.length})`
      }}</label>
      <ChoiceField :id="`${id}-address`" :value="redirect" :options="redirects" @change="redirect = $event" />
      <EntryField
        v-if="redirect === OTHER"
        v-model="other"
        label="Page"
        :site="site"
        :can-choose="canLeadTo"
      />
    </template>
    <template v-if="broken">
      <template v-if="broken.length > 0">
        <p :class="{ 'goes-warning': links === 'stay' }">
          {{ broken.length === 1 ? '1 link leads to it' : `${broken.length} links lead there` }}:
        </p>
        <ul class="goes-list">
          <li v-for="(link, at) in broken.slice(0, SHOWN)" :key="at">
            {{ brokenWords(link) }}<template v-if="gone.size > 1">, to “{{ link.toLabel }}”</template>
          </li>
          <li v-if="broken.length > SHOWN">and {{ broken.length - SHOWN }} more</li>
        </ul>
        <label class="field-label" :for="`${id}-links`">{{
          broken.length === 1 ? 'This link' : 'These links'
        }}</label>
        <ChoiceField :id="`${id}-links`" :value="links" :options="linkChoices" @change="links = $event" />
      </template>
      <p v-else>No link leads to it but those of menus, breadcrumbs, and previous and next.</p>
    </template>
    <template #buttons>
      <Button @click="$emit('close')">Cancel</Button>
      <Button type="primary" danger autofocus @click="shaping.removeNow(change)">Remove</Button>
    </template>
  </ModalDialog>
</template>
