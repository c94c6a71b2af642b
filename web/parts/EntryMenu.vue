<script setup lang="ts">
import IconDots from '~icons/tabler/dots'
import { childrenOf } from '@viatica/core/plan/plan.ts'
import { computed } from 'vue'
import { useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { type Direction, useShaping } from '../stores/shaping.ts'
import MenuButton, { type MenuEntry } from './MenuButton.vue'

const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()

const hasChildren = computed(() => childrenOf(openSite.shown.plan, chosen.id).length > 1)

const DIRECTIONS: readonly { direction: Direction; words: string; keys: string }[] = [
  { direction: 'up', words: 'Move up', keys: 'Alt ↑' },
  { direction: 'down', words: 'Move down', keys: 'Alt ↓' },
  { direction: 'in', words: 'Indent', keys: 'Alt →' },
  { direction: 'out', words: 'Outdent', keys: 'Alt ←' },
]

const entries = computed((): MenuEntry[] => [
  { key: 'beside', label: 'Add page', keys: 'Enter', disabled: shaping.isHome },
  { key: 'beneath', label: 'Add subpage', keys: 'Shift Enter' },
  { key: 'group', label: 'Add group' },
  { key: 'link', label: 'Add link' },
  { key: 'site map', label: 'Add site map' },
  { key: 'paste', label: 'Paste list …', keys: 'Ctrl V' },
  { key: 'import', label: 'Import pages …' },
  { key: 'copy', label: 'Copy …', keys: 'C', disabled: shaping.isHome },
  { key: 'rename', label: 'Rename', keys: 'F2', begins: true },
  ...DIRECTIONS.map(({ direction, words, keys }) => ({
    key: direction,
    label: words,
    keys,
    disabled: !shaping.canMove[direction],
  })),
  { key: 'move', label: 'Move under …', keys: 'M', disabled: shaping.isHome },
  {
    key: 'turn',
    label: chosen.entry?.kind === 'group' ? 'Change to page' : 'Change to group',
    disabled: !shaping.canTurn,
  },
  { key: 'title', label: 'Sort what is under it by title', disabled: !hasChildren.value },
  { key: 'file name', label: 'Sort what is under it by file name', disabled: !hasChildren.value },
  { key: 'overview', label: 'List subpages in its content', disabled: !shaping.canBeOverview },
  { key: 'remove', label: 'Remove', keys: 'Delete', disabled: shaping.isHome, begins: true },
])

function act(key: string): void {
  switch (key) {
    case 'beside':
    case 'beneath':
      return shaping.begin('page', key)
    case 'group':
    case 'link':
      return shaping.begin(key, 'beside')
    case 'site map':
      return shaping.addSiteMap()
    case 'turn':
      return void shaping.turn()
    case 'overview':
      return shaping.makeOverview()
    case 'rename':
      return void (chosen.renaming = chosen.id)
    case 'remove':
      return shaping.remove()
    case 'paste':
      shaping.pasted = ''
      return void (shaping.dialog = key)
    case 'import':
    case 'copy':
    case 'move':
      return void (shaping.dialog = key)
    case 'title':
    case 'file name':
      return void shaping.sort(key)
    default:
      return void shaping.move(key as Direction)
  }
}
</script>

<template>
  <MenuButton class="small-button" label="Actions" :entries="entries" @act="act">
    <IconDots width="16" height="16" aria-hidden="true" />
  </MenuButton>
</template>
