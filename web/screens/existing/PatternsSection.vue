<script setup lang="ts">
import type { Overview, PatternExample } from '@viatica/core/existing/overview.ts'
import { computed } from 'vue'
import { counted } from '../../parts/pages/steps.ts'
import { markWords } from './words.ts'

/** What follows from the plan on every page: how its author writes it, with an example from the pages. */
const props = defineProps<{ overview: Overview }>()

const NAMES: Readonly<Record<PatternExample['kind'], string>> = {
  menu: 'Menu',
  breadcrumb: 'Breadcrumb',
  pager: 'Previous/next links',
}

const menus = computed(() => props.overview.report.menus)
const patterns = computed(() => props.overview.patterns)
const isIncluded = (path: string) => props.overview.report.includes.includes(path)
/** The lines of an example, without what all of them are indented by. */
function shown(html: string): string {
  const lines = html.split(/\r?\n/)
  const indents = lines
    .slice(1)
    .filter((line) => line.trim() !== '')
    .map((line) => /^\s*/.exec(line)![0].length)
  const cut = indents.length === 0 ? 0 : Math.min(...indents)
  return [lines[0], ...lines.slice(1).map((line) => line.slice(cut))].join('\n')
}
</script>

<template>
  <p v-if="menus.length + patterns.length === 0" class="quiet">
    No menu, no breadcrumb and no links to previous and next were found. If the pages have some, point at them
    under Templates.
  </p>
  <div class="patterns">
    <section v-for="(menu, at) in menus" :key="`menu-${at}`" :aria-label="`Menu ${menu.name}`">
      <h2>Menu “{{ menu.name }}”</h2>
      <p>
        {{ counted(menu.items.length, 'item') }}; the current page is shown by: {{ markWords(menu.mark) }}.
      </p>
      <ul>
        <li
          v-for="(item, n) in menu.items"
          :key="n"
          :style="{ paddingLeft: `${(Math.min(item.level, 8) - 1) * 18}px` }"
        >
          {{ item.label }} <code v-if="item.path ?? item.url">{{ item.path ?? item.url }}</code>
        </li>
      </ul>
    </section>
    <section
      v-for="(pattern, at) in patterns"
      :key="`pattern-${at}`"
      :aria-label="`${NAMES[pattern.kind]} on ${pattern.path}`"
    >
      <h2>{{ NAMES[pattern.kind] }}, as it is written</h2>
      <p>
        This is what Viatica writes
        {{ isIncluded(pattern.path) ? 'into the file' : 'on' }} <code>{{ pattern.path }}</code>,
        {{ isIncluded(pattern.path) ? 'which pages include' : 'and on every other page alike' }}:
      </p>
      <pre tabindex="0">{{ shown(pattern.html) }}</pre>
    </section>
  </div>
</template>

<style scoped>
.patterns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(420px, 100%), 1fr));
  gap: 14px 28px;
  align-items: start;
}

h2 {
  font-size: 16px;
}

p {
  margin: 2px 0 6px;
}

ul {
  margin: 0;
  padding: 8px 14px;
  background: var(--card);
  border: 1px solid var(--rule);
  list-style: none;
}

li code {
  color: var(--slate);
}

pre {
  max-height: 300px;
  margin: 0;
  padding: 8px 12px;
  overflow: auto;
  background: #fff;
  border: 1px solid var(--rule);
  font: 11.5px/1.5 var(--mono);
}
</style>
