<script setup lang="ts">
import IconChevronDown from '~icons/tabler/chevron-down'
import { piecesShown, templatesOf } from '@viatica/core/plan/surround/surround.ts'
import { type Place, PLACE_NAMES, PLACES } from '@viatica/core/plan/surround/place.ts'
import type { Menu } from '@viatica/core/plan/surround/menu.ts'
import { Button } from 'ant-design-vue'
import { computed, nextTick } from 'vue'
import MenuButton from '../../../parts/MenuButton.vue'
import { openDetails } from '../../../parts/panels.ts'
import { useSurrounding } from '../../../stores/surrounding.ts'
import { SHAPE_WORDS } from '../pieces/shapeWords.ts'

/** The menus of the site, with where each stands. */
const surrounding = useSurrounding()

const uses = computed(() => {
  const places = new Map<string, string[]>()
  for (const { piece, place } of piecesShown(surrounding.surround)) {
    if (piece.kind !== 'menu') continue
    places.set(piece.menu, [
      ...(places.get(piece.menu) ?? []),
      `${PLACE_NAMES[place]} (${SHAPE_WORDS[piece.shape]})`,
    ])
  }
  const templates = templatesOf(surrounding.surround)
  for (const template of templates?.templates ?? [])
    for (const part of template.parts) {
      if (part.kind !== 'menu') continue
      const pattern = templates!.menus.find(({ id }) => id === part.pattern)
      if (pattern)
        places.set(pattern.menu, [...(places.get(pattern.menu) ?? []), `Template “${template.name}”`])
    }
  return places
})

const places = PLACES.map((key) => ({ key, label: PLACE_NAMES[key] }))

/** Adds a menu, and goes on with its name. */
function add(kind: Menu['kind']): void {
  surrounding.addMenu(kind)
  openDetails()
  void nextTick(() => document.querySelector<HTMLInputElement>('#details input')?.select())
}

function about(menu: Menu): string {
  if (menu.kind === 'picked') return `${menu.links.length} custom links`
  const from = {
    home: 'the plan from the home page',
    section: 'the section that a page is in',
    entry: 'the plan from one entry',
  }[menu.from.at]
  return `${from}, ${menu.depth === 1 ? '1 level' : `${menu.depth} levels`}`
}
</script>

<template>
  <div>
    <table v-if="surrounding.surround.menus.length > 0">
      <thead>
        <tr>
          <th scope="col">Menu</th>
          <th scope="col">Shows</th>
          <th scope="col">Used in</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="menu in surrounding.surround.menus"
          :key="menu.id"
          :class="{ chosen: menu.id === surrounding.menu?.id }"
        >
          <td>
            <button
              type="button"
              class="link-button"
              :aria-pressed="menu.id === surrounding.menu?.id"
              @click="surrounding.menuId = menu.id"
            >
              {{ menu.name }}
            </button>
          </td>
          <td>{{ about(menu) }}</td>
          <td>
            <template v-if="uses.has(menu.id)">{{ uses.get(menu.id)!.join(', ') }}</template>
            <template v-else>
              Not used yet.
              <MenuButton
                v-if="surrounding.surround.kind === 'pieces'"
                class="plain-button"
                :label="`Add ${menu.name} to the page`"
                :entries="places"
                @act="(place) => surrounding.placeMenu(menu.id, place as Place)"
              >
                Add to the page <IconChevronDown width="14" height="14" aria-hidden="true" />
              </MenuButton>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="buttons">
      <Button size="small" @click="add('plan')">Add a menu from the plan</Button>
      <Button size="small" @click="add('picked')">Add a menu of custom links</Button>
    </p>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}

th {
  color: var(--slate);
  font-weight: 500;
  text-align: left;
}

th,
td {
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule);
}

.chosen {
  background: var(--here);
  box-shadow: inset 4px 0 0 var(--ochre);
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}
</style>
