<script setup lang="ts">
import IconArrowDown from '~icons/tabler/arrow-down'
import IconArrowUp from '~icons/tabler/arrow-up'
import IconCornerDownRight from '~icons/tabler/corner-down-right'
import IconIndentDecrease from '~icons/tabler/indent-decrease'
import IconIndentIncrease from '~icons/tabler/indent-increase'
import IconListDetails from '~icons/tabler/list-details'
import IconPlus from '~icons/tabler/plus'
import IconTrash from '~icons/tabler/trash'
import type { Component } from 'vue'
import { type Direction, useShaping } from '../stores/shaping.ts'
import IconButton from './IconButton.vue'
import ToolBar from './ToolBar.vue'

const shaping = useShaping()

function paste(): void {
  shaping.pasted = ''
  shaping.dialog = 'paste'
}

const MOVES: readonly { direction: Direction; words: string; icon: Component }[] = [
  { direction: 'up', words: 'Move up', icon: IconArrowUp },
  { direction: 'down', words: 'Move down', icon: IconArrowDown },
  { direction: 'out', words: 'Outdent', icon: IconIndentDecrease },
  { direction: 'in', words: 'Indent', icon: IconIndentIncrease },
]
</script>

<template>
  <ToolBar class="tools" label="Edit the outline">
    <button
      type="button"
      class="plain-button"
      title="New page after the chosen one (Enter)"
      :disabled="shaping.isHome"
      @click="shaping.begin('page', 'beside')"
    >
      <IconPlus width="16" height="16" aria-hidden="true" />Add page
    </button>
    <button
      type="button"
      class="plain-button"
      title="New page under the chosen one (Shift Enter)"
      @click="shaping.begin('page', 'beneath')"
    >
      <IconCornerDownRight width="16" height="16" aria-hidden="true" />Add subpage
    </button>
    <button type="button" class="plain-button" title="Add pages from a pasted list" @click="paste">
      <IconListDetails width="16" height="16" aria-hidden="true" />Paste list
    </button>
    <span class="shaping">
      <IconButton
        v-for="{ direction, words, icon } in MOVES"
        :key="direction"
        :icon="icon"
        :label="words"
        :disabled="!shaping.canMove[direction]"
        @click="void shaping.move(direction)"
      />
      <IconButton
        :icon="IconTrash"
        label="Remove"
        :disabled="shaping.movable.length === 0"
        @click="shaping.remove()"
      />
    </span>
  </ToolBar>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 6px;
  align-items: center;
  padding: 8px 10px 6px;
  border-bottom: 1px solid var(--rule);
}

/* The words of the two that add, the signs of the five that shape. */
.tools .plain-button {
  gap: 4px;
  min-width: 27px;
  padding: 0 4px;
  white-space: nowrap;
}

.tools svg {
  flex: none;
}

.shaping {
  display: flex;
  gap: 2px;
}
</style>
