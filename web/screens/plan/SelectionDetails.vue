<script setup lang="ts">
import { labelOf, type PageState, STATES } from '@viatica/core/plan/entry.ts'
import { newPage } from '@viatica/core/plan/newEntry.ts'
import { entryOf, walk } from '@viatica/core/plan/plan.ts'
import { Button, Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import StateMark from '../../parts/StateMark.vue'
import { useChosen } from '../../stores/chosen.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { useShaping } from '../../stores/shaping.ts'

/** What several chosen entries have in common, set for all of them in one change. */
const openSite = useOpenSite()
const chosen = useChosen()
const shaping = useShaping()

const entries = computed(() =>
  [...walk(openSite.shown.plan)].map(({ entry }) => entry).filter(({ id }) => chosen.ids.has(id)),
)
const pages = computed(() => entries.value.filter((entry) => entry.kind === 'page'))

/** Whether something holds for all, for none, or for some of them. */
function share(holding: number, all: number): boolean | 'some' {
  return holding === all ? all > 0 : holding === 0 ? false : 'some'
}
const inMenu = computed(() =>
  share(entries.value.filter((entry) => entry.inMenu).length, entries.value.length),
)
const inOrder = computed(() => share(pages.value.filter((page) => page.inOrder).length, pages.value.length))
const stateOf = (state: PageState) =>
  pages.value.length > 0 && pages.value.every((page) => page.state === state)
</script>

<template>
  <div>
    <h2>{{ entries.length }} entries chosen</h2>
    <fieldset v-if="pages.length > 0" class="field plain">
      <legend class="field-label">
        State of {{ pages.length === 1 ? '1 page' : `all ${pages.length} pages` }}
      </legend>
      <div class="states">
        <Button
          v-for="state in STATES"
          :key="state"
          :aria-pressed="stateOf(state)"
          :class="{ held: stateOf(state) }"
          @click="shaping.setState(state)"
        >
          <span class="state"
            ><StateMark :entry="newPage('x', 'x', { state })" aria-hidden="true" />{{ state }}</span
          >
        </Button>
      </div>
    </fieldset>
    <div class="field">
      <span class="field-label">Stand in</span>
      <Checkbox
        :checked="inMenu === true"
        :indeterminate="inMenu === 'some'"
        @change="shaping.stand('inMenu', $event.target.checked)"
        >menus</Checkbox
      >
      <Checkbox
        v-if="pages.length > 0"
        :checked="inOrder === true"
        :indeterminate="inOrder === 'some'"
        @change="shaping.stand('inOrder', $event.target.checked)"
        >reading order</Checkbox
      >
    </div>
    <p class="buttons">
      <Button :disabled="shaping.movable.length === 0" @click="shaping.dialog = 'move'">Move under …</Button>
      <Button :disabled="shaping.movable.length === 0" danger @click="shaping.remove">Remove …</Button>
    </p>
    <ul>
      <li v-for="entry in entries" :key="entry.id">
        <StateMark :entry="entryOf(openSite.site!.plan, entry.id)" />
        <button type="button" class="link-button" @click="chosen.choose(entry.id)">
          {{ labelOf(entry) }}
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
h2 {
  margin-bottom: 12px;
  font-size: 18px;
}

.plain {
  margin-inline: 0;
  padding: 0;
  border: 0;
}

.states,
.state,
.buttons {
  display: flex;
  align-items: center;
  gap: 6px;
}

.states .ant-btn {
  padding-inline: 9px;
}

.held {
  font-weight: 600;
  border-width: 2px;
  border-color: var(--pine);
}

ul {
  margin: 16px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 7px;
  padding: 2px 0;
}
</style>
