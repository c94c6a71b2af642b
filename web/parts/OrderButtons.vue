<script setup lang="ts" generic="Item">
import IconArrowDown from '~icons/tabler/arrow-down'
import IconArrowUp from '~icons/tabler/arrow-up'
import IconX from '~icons/tabler/x'

/** Moves one item of a short list up or down, or takes it out. */
const props = defineProps<{
  /** What the item is called. */
  name: string
  items: readonly Item[]
  at: number
}>()
const emit = defineEmits<{ change: [items: Item[]] }>()

const without = () => props.items.toSpliced(props.at, 1)
const move = (by: number) => emit('change', without().toSpliced(props.at + by, 0, props.items[props.at]!))
</script>

<template>
  <span class="order">
    <button
      type="button"
      class="small-button"
      :aria-label="`${name} up`"
      :disabled="at === 0"
      @click="move(-1)"
    >
      <IconArrowUp width="14" height="14" aria-hidden="true" />
    </button>
    <button
      type="button"
      class="small-button"
      :aria-label="`${name} down`"
      :disabled="at === items.length - 1"
      @click="move(1)"
    >
      <IconArrowDown width="14" height="14" aria-hidden="true" />
    </button>
    <button
      type="button"
      class="small-button"
      :aria-label="`Remove ${name}`"
      @click="emit('change', without())"
    >
      <IconX width="14" height="14" aria-hidden="true" />
    </button>
  </span>
</template>

<style scoped>
.order {
  display: inline-flex;
  flex: none;
}
</style>
