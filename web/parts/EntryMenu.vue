<script setup lang="ts">
import { IconDots } from '@tabler/icons-vue'
import { Dropdown, Menu, MenuDivider, MenuItem } from 'ant-design-vue'
import { childrenOf } from '@viatica/core/plan/plan.ts'
import { computed } from 'vue'
import { useChosen } from '../stores/chosen.ts'
import { useOpenSite } from '../stores/openSite.ts'
import { type Direction, useShaping } from '../stores/shaping.ts'
import { landmarkOf } from './landmark.ts'

const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()

const hasChildren = computed(() => childrenOf(openSite.site!.plan, chosen.id).length > 1)

const DIRECTIONS: readonly { direction: Direction; words: string; keys: string }[] = [
  { direction: 'up', words: 'Move up', keys: 'Alt ↑' },
  { direction: 'down', words: 'Move down', keys: 'Alt ↓' },
  { direction: 'in', words: 'Indent', keys: 'Alt →' },
  { direction: 'out', words: 'Outdent', keys: 'Alt ←' },
]

function act(key: string): void {
  switch (key) {
    case 'beside':
    case 'beneath':
      return shaping.begin('page', key)
    case 'group':
    case 'link':
      return shaping.begin(key, 'beside')
    case 'rename':
      return void (chosen.renaming = chosen.id)
    case 'remove':
      return shaping.remove()
    case 'paste':
      shaping.pasted = ''
      return void (shaping.dialog = key)
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
  <Dropdown :trigger="['click']" placement="bottomRight" :get-popup-container="landmarkOf">
    <button
      type="button"
      class="small-button"
      aria-label="Actions"
      aria-haspopup="menu"
      @click.stop
      @dblclick.stop
    >
      <IconDots :size="16" aria-hidden="true" />
    </button>
    <template #overlay>
      <Menu @click="act($event.key as string)">
        <MenuItem key="beside" :disabled="shaping.isHome">Add page <kbd>Enter</kbd></MenuItem>
        <MenuItem key="beneath">Add subpage <kbd>Shift Enter</kbd></MenuItem>
        <MenuItem key="group">Add group</MenuItem>
        <MenuItem key="link">Add link</MenuItem>
        <MenuItem key="paste">Paste list … <kbd>Ctrl V</kbd></MenuItem>
        <MenuItem key="copy" :disabled="shaping.isHome">Copy … <kbd>C</kbd></MenuItem>
        <MenuDivider role="separator" />
        <MenuItem key="rename">Rename <kbd>F2</kbd></MenuItem>
        <MenuItem
          v-for="{ direction, words, keys } in DIRECTIONS"
          :key="direction"
          :disabled="!shaping.canMove[direction]"
        >
          {{ words }} <kbd>{{ keys }}</kbd>
        </MenuItem>
        <MenuItem key="move" :disabled="shaping.isHome">Move under … <kbd>M</kbd></MenuItem>
        <MenuItem key="title" :disabled="!hasChildren">Sort what is under it by title</MenuItem>
        <MenuItem key="file name" :disabled="!hasChildren">Sort what is under it by file name</MenuItem>
        <MenuDivider role="separator" />
        <MenuItem key="remove" :disabled="shaping.isHome">Remove <kbd>Delete</kbd></MenuItem>
      </Menu>
    </template>
  </Dropdown>
</template>

<style scoped>
kbd {
  float: right;
  margin-left: 28px;
  color: var(--slate);
  font: inherit;
  font-size: 12.5px;
}
</style>
