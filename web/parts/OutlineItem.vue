<script setup lang="ts">
import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine'
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { attachInstruction, extractInstruction } from '@atlaskit/pragmatic-drag-and-drop-hitbox/list-item'
import { valueFor } from '@viatica/core/standard/present.ts'
import IconChevronDown from '~icons/tabler/chevron-down'
import IconChevronRight from '~icons/tabler/chevron-right'
import IconEyeOff from '~icons/tabler/eye-off'
import IconPin from '~icons/tabler/pin'
import { isPinTold } from '@viatica/core/address/pins.ts'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { labelOf } from '@viatica/core/plan/entry.ts'
import { entryOf, isWithin } from '@viatica/core/plan/plan.ts'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { type OutlineRow, useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { useProof } from '../stores/proof.ts'
import EntryMenu from './EntryMenu.vue'
import StateMark from './StateMark.vue'

const props = defineProps<{ row: OutlineRow }>()
defineEmits<{ choose: [event: MouseEvent] }>()

const openSite = useOpenSite()
const chosen = useChosen()
const element = ref<HTMLElement>()
/** How something dragged over this row would land. */
const landing = ref<string>()

const site = computed(() => openSite.shown)
const entry = computed(() => entryOf(site.value.plan, props.row.id))
const proof = useProof()
const isLead = computed(() => chosen.id === props.row.id)
const isChosen = computed(() => chosen.ids.has(props.row.id))
const isPinned = computed(() => entry.value.kind === 'page' && isPinTold(site.value, entry.value))

const findings = computed(() => proof.byEntry.get(props.row.id))

/** What stands at the right: the file name of a page, the folder of a group, where a link leads. */
const address = computed(() => {
  const at = entry.value
  if (at.kind === 'link') {
    if (at.target.to === 'address' && at.target.url === '') return 'leads nowhere'
    if (at.target.to === 'address') return at.target.url.replace(/^(https?:\/\/|mailto:|tel:)/, '')
    const path =
      at.target.to === 'file'
        ? site.value.files.get(at.target.file)?.path
        : addressesOf(site.value).paths.get(at.target.entry)
    return path ?? 'leads nowhere'
  }
  return valueFor(addressesOf(site.value).names, at.id)
})
/** The whole path, for those who point at it. */
const path = computed(() => addressesOf(site.value).paths.get(props.row.id) ?? address.value)

let cleanup: (() => void) | undefined
onMounted(() => {
  const id = props.row.id
  cleanup = combine(
    draggable({
      element: element.value!,
      canDrag: () => id !== site.value.plan.home,
      // A row that is chosen takes along all that are; another one goes alone.
      getInitialData: () => ({ entries: chosen.ids.has(id) ? [...chosen.ids] : [id] }),
    }),
    dropTargetForElements({
      element: element.value!,
      canDrop: ({ source }) =>
        !(source.data['entries'] as string[]).some((moving) => isWithin(site.value.plan, id, moving)),
      getData: ({ input, element: over }) => {
        const isHome = id === site.value.plan.home
        const opensBelow = props.row.hasChildren && props.row.isOpen
        return attachInstruction(
          { entry: id },
          {
            input,
            element: over,
            operations: {
              'reorder-before': isHome ? 'not-available' : 'available',
              // Below an open section its children begin: what is dropped there goes under it.
              'reorder-after': isHome || opensBelow ? 'not-available' : 'available',
              combine: entry.value.kind === 'link' ? 'not-available' : 'available',
            },
          },
        )
      },
      onDrag: ({ self }) => (landing.value = extractInstruction(self.data)?.operation),
      onDragLeave: () => (landing.value = undefined),
      onDrop: () => (landing.value = undefined),
    }),
  )
})
onBeforeUnmount(() => cleanup?.())
</script>

<template>
  <div
    ref="element"
    class="item"
    :class="[
      landing,
      {
        chosen: isChosen,
        lead: isLead,
        out: !entry.inMenu,
        planned: entry.kind === 'page' && entry.state === 'planned',
      },
    ]"
    role="treeitem"
    :aria-level="row.level"
    :aria-posinset="row.place + 1"
    :aria-setsize="row.siblings"
    :aria-selected="isChosen"
    :aria-expanded="row.hasChildren ? row.isOpen : undefined"
    :aria-current="isLead ? 'true' : undefined"
    :tabindex="isLead ? 0 : -1"
    :data-entry="row.id"
    @click="$emit('choose', $event)"
    @dblclick="chosen.renaming = row.id"
  >
    <span v-for="n in row.level - 1" :key="n" class="path-line" aria-hidden="true" />
    <StateMark :entry="entry" />
    <span class="label">{{ labelOf(entry) }}</span>
    <IconEyeOff
      v-if="!entry.inMenu"
      width="14"
      height="14"
      class="off"
      aria-label="not in menus"
      role="img"
    />
    <span v-if="findings" class="findings" :title="findings === 1 ? '1 finding' : `${findings} findings`"
      >{{ findings }}<span class="unseen">{{ findings === 1 ? ' finding' : ' findings' }}</span></span
    >
    <span class="address path" :title="path">{{ address }}</span>
    <IconPin v-if="isPinned" width="13" height="13" class="off" role="img" aria-label="pinned address" />
    <EntryMenu v-if="isLead" />
    <button
      v-if="row.hasChildren"
      type="button"
      class="small-button fold"
      tabindex="-1"
      :aria-label="row.isOpen ? `Collapse ${labelOf(entry)}` : `Expand ${labelOf(entry)}`"
      @click.stop="chosen.fold(row.id, row.isOpen)"
    >
      <component
        :is="row.isOpen ? IconChevronDown : IconChevronRight"
        width="15"
        height="15"
        aria-hidden="true"
      />
    </button>
    <span v-else-if="!isLead" class="no-fold" />
  </div>
</template>

<style scoped>
.findings {
  flex: none;
  min-width: 16px;
  padding: 0 4px;
  color: var(--brick);
  border: 1px solid var(--brick);
  border-radius: 8px;
  font: 600 11px/14px var(--sign);
  text-align: center;
}

.item {
  position: relative;
  display: flex;
  align-items: center;
  gap: 7px;
  height: 29px;
  padding: 0 6px 0 18px;
  border-left: 5px solid transparent;
  cursor: default;
}

.item:hover {
  background: #f2eee0;
}

.item:focus-visible {
  outline-offset: -2px;
}

.chosen,
.chosen:hover {
  background: var(--here);
}

.lead,
.lead:hover {
  border-left-color: var(--ochre);
}

.path-line {
  flex: none;
  align-self: stretch;
  width: 13px;
  margin-right: 0;
  border-left: 2px solid #b9cbc2;
  transform: translateX(6px);
}

.label {
  overflow: hidden;
  flex: 0 1 auto;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.planned .label {
  color: var(--slate);
}

.off {
  flex: none;
  color: var(--slate);
}

.address {
  overflow: hidden;
  flex: 1 1 40px;
  min-width: 24px;
  color: var(--slate);
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.fold {
  color: var(--slate);
}

.no-fold {
  flex: none;
  width: 24px;
}

.reorder-before::before,
.reorder-after::before {
  content: '';
  position: absolute;
  right: 6px;
  left: 20px;
  z-index: 1;
  height: 3px;
  background: var(--pine);
}

.reorder-before::before {
  top: -2px;
}

.reorder-after::before {
  bottom: -2px;
}

.combine {
  box-shadow: inset 0 0 0 2px var(--pine);
}
</style>
