<script setup lang="ts">
import { itemAt } from '@viatica/core/standard/present.ts'
import IconArrowDown from '~icons/tabler/arrow-down'
import IconArrowUp from '~icons/tabler/arrow-up'
import IconDownload from '~icons/tabler/download'
import IconFileImport from '~icons/tabler/file-import'
import { useTable } from '@tanstack/vue-table'
import { useVirtualizer } from '@tanstack/vue-virtual'
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { InputFault } from '@viatica/core/formats/inputFault.ts'
import type { Statistics } from '@viatica/core/statistics/statistics.ts'
import { type CellValue, type Column, columnNamed, isYesNoField } from '@viatica/core/inventory/columns.ts'
import type { SetEntry } from '@viatica/core/plan/change/change.ts'
import type { EntryId } from '@viatica/core/plan/ids.ts'
import { STATES } from '@viatica/core/plan/entry.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { soundFileName } from '@viatica/core/standard/fileName.ts'
import { Checkbox, Empty, Popover } from 'ant-design-vue'
import { proxy } from 'comlink'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import { siteWork } from '../../../workers/siteWork.ts'
import { landmarkOf } from '../../../parts/landmark.ts'
import InventoryCell from './InventoryCell.vue'
import InventoryImport from './InventoryImport.vue'
import {
  columns,
  features,
  HIDDEN_AT_FIRST,
  type InventoryRow,
  SHOWN_COLUMNS,
  widthOf,
} from './inventoryTable.ts'

/** Every page in a table: sorted, filtered and edited in place. */
const ROW_HEIGHT = 31
const NO_STATISTICS: Pick<Statistics, 'pages'> = { pages: new Map() }

const openSite = useOpenSite()
const chosen = useChosen()
const scroller = ref<HTMLElement>()
const importer = ref<InstanceType<typeof InventoryImport>>()

/** What takes a look at the whole site comes a moment later. */
const statistics = shallowRef(NO_STATISTICS)
watch(
  () => openSite.site,
  async (site) => {
    const found = await siteWork.statistics(proxy(() => undefined))
    if (found && site === openSite.site) statistics.value = found
  },
  { immediate: true },
)

const rows = computed((): InventoryRow[] => {
  const site = openSite.shown
  const addresses = addressesOf(site)
  const source = { plan: site.plan, addresses, statistics: statistics.value as Statistics }
  return [...walk(site.plan)].flatMap(({ entry }) =>
    entry.kind === 'page'
      ? [
          {
            id: entry.id,
            cells: Object.fromEntries(
              SHOWN_COLUMNS.map((column) => [column.name, column.value({ ...source, entry })]),
            ),
          },
        ]
      : [],
  )
})

const table = useTable({
  features,
  columns,
  data: rows,
  getRowId: (row: InventoryRow) => row.id,
  initialState: { columnVisibility: { ...HIDDEN_AT_FIRST } },
})
const tableRows = computed(() => table.getRowModel().rows)
const shown = computed(() => table.getVisibleLeafColumns())
const shownColumns = computed(() => shown.value.map(({ id }) => columnNamed(id)!))
const filterOf = (name: string) => (table.getColumn(name)?.getFilterValue() as string | undefined) ?? ''
const setFilter = (name: string, value: string) => table.getColumn(name)?.setFilterValue(value || undefined)
const isFiltered = computed(() => table.atoms.columnFilters.get().length > 0)

const virtualizer = useVirtualizer(
  computed(() => ({
    count: tableRows.value.length,
    getScrollElement: () => scroller.value ?? null,
    estimateSize: () => ROW_HEIGHT,
    overscan: 8,
    scrollPaddingStart: 64,
  })),
)
const drawn = computed(() =>
  virtualizer.value.getVirtualItems().flatMap(({ index }) => {
    const row = tableRows.value[index]
    return row ? [{ index, row: row.original }] : []
  }),
)
const above = computed(() => virtualizer.value.getVirtualItems()[0]?.start ?? 0)
const below = computed(
  () => virtualizer.value.getTotalSize() - (virtualizer.value.getVirtualItems().at(-1)?.end ?? 0),
)

/** The cell that holds the focus. */
const active = ref({ row: '', column: 'title' })
const editing = ref(false)
/** What was typed over a cell: the edit begins with it. */
const typedOver = ref<string>()

const placeOf = (id: EntryId) => tableRows.value.findIndex((row) => row.original.id === id)
/** The row that is reached by the tab key: the chosen page, else the first. */
const tabRow = computed(() => (placeOf(chosen.id) >= 0 ? chosen.id : (tableRows.value[0]?.original.id ?? '')))
const tabColumn = computed(() =>
  shown.value.some(({ id }) => id === active.value.column) ? active.value.column : (shown.value[0]?.id ?? ''),
)

function focusCell(): void {
  void nextTick(() => scroller.value?.querySelector<HTMLElement>('td[tabindex="0"]')?.focus())
}

function goTo(row: EntryId, column: string): void {
  active.value = { row, column }
  chosen.choose(row)
  virtualizer.value.scrollToIndex(placeOf(row), { align: 'auto' })
  focusCell()
}

/** Goes to a cell that is clicked; in one that is edited, a click only moves the caret. */
function click(row: EntryId, column: string): void {
  if (editing.value && active.value.row === row && active.value.column === column) return
  goTo(row, column)
}

function edit(row: EntryId, column: Column, typed?: string): void {
  if (!column.field) return
  if (typed !== undefined && (isYesNoField(column.field) || column.name === 'state')) return
  typedOver.value = typed
  active.value = { row, column: column.name }
  if (row !== chosen.id) chosen.choose(row)
  if (isYesNoField(column.field)) {
    const now = rows.value.find(({ id }) => id === row)!.cells[column.name]
    openSite.notice = save(row, column)(now !== true) ?? ''
  } else editing.value = true
}

const save =
  (row: EntryId, column: Column) =>
  (value: CellValue): string | undefined =>
    openSite.make({ kind: 'setEntry', entry: row, field: column.field, value } as SetEntry)

function endEdit(isByKey: boolean): void {
  editing.value = false
  if (isByKey) focusCell()
}

/** Keys of a grid: WAI-ARIA Authoring Practices, data grid. */
function press(event: KeyboardEvent, row: EntryId, column: Column): void {
  if (event.altKey || event.ctrlKey || event.metaKey) return
  const names = shown.value.map(({ id }) => id)
  const [r, c] = [placeOf(row), names.indexOf(column.name)]
  const moves: Readonly<Record<string, readonly [number, number]>> = {
    ArrowDown: [r + 1, c],
    ArrowUp: [r - 1, c],
    ArrowRight: [r, c + 1],
    ArrowLeft: [r, c - 1],
    Home: [r, 0],
    End: [r, names.length - 1],
    PageDown: [Math.min(r + 15, tableRows.value.length - 1), c],
    PageUp: [Math.max(r - 15, 0), c],
  }
  const to = moves[event.key]
  if (to) {
    const next = tableRows.value[to[0]]?.original.id
    const name = names[to[1]]
    if (next !== undefined && name !== undefined) goTo(next, name)
  } else if (event.key === 'Enter' || event.key === 'F2' || event.key === ' ') edit(row, column)
  else if (event.key.length === 1) edit(row, column, event.key)
  else return
  event.preventDefault()
}

/** Pastes cells of a spreadsheet from the active cell on: one as if it was typed, several once they were looked at. */
async function paste(event: ClipboardEvent, row: EntryId, column: Column): Promise<void> {
  if (editing.value) return
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (text === '') return
  event.preventDefault()
  const { pastedCells, pastedTable } = await import('@viatica/core/inventory/paste.ts')
  const cells = pastedCells(text)
  const isYesNo = isYesNoField(column.field)
  if (cells.length === 1 && itemAt(cells, 0).length === 1 && column.name !== 'state' && !isYesNo)
    return edit(row, column, itemAt(cells, 0)[0]!)
  const ids = tableRows.value.slice(placeOf(row)).map(({ original }) => original.id)
  const from = shownColumns.value.findIndex(({ name }) => name === column.name)
  try {
    await importer.value?.paste(pastedTable(text, ids, shownColumns.value.slice(from)))
  } catch (error) {
    if (!(error instanceof InputFault)) throw error
    openSite.notice = error.message
  }
}

const ORDERS = { asc: 'ascending', desc: 'descending', false: 'none' } as const
const orderOf = (name: string) => ORDERS[String(table.getColumn(name)?.getIsSorted()) as keyof typeof ORDERS]

async function saveCsv(): Promise<void> {
  const text = await siteWork.writeInventory()
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv;charset=utf-8' }))
  link.download = `${soundFileName(openSite.shown.settings.name, '-')}-inventory.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}

watch(
  () => chosen.id,
  (id) => {
    const place = placeOf(id)
    if (place >= 0) virtualizer.value.scrollToIndex(place, { align: 'auto' })
  },
)
</script>

<template>
  <div class="inventory">
    <div class="bar">
      <span role="status">
        {{ isFiltered ? `${tableRows.length} of ${rows.length} pages` : `${rows.length} pages` }}
      </span>
      <button v-if="isFiltered" type="button" class="link-button" @click="table.resetColumnFilters(true)">
        Show all
      </button>
      <button
        v-if="table.atoms.sorting.get().length > 0"
        type="button"
        class="link-button"
        @click="table.resetSorting(true)"
      >
        In plan order
      </button>
      <span class="gap" />
      <Popover trigger="click" placement="bottomRight" :get-popup-container="landmarkOf">
        <button type="button" class="plain-button">Columns</button>
        <template #content>
          <div class="columns">
            <Checkbox
              v-for="column in table.getAllLeafColumns()"
              :key="column.id"
              :checked="column.getIsVisible()"
              :disabled="column.id === 'title'"
              @change="column.toggleVisibility($event.target.checked)"
            >
              {{ column.id }}
            </Checkbox>
          </div>
        </template>
      </Popover>
      <button type="button" class="plain-button" @click="saveCsv">
        <IconDownload width="17" height="17" aria-hidden="true" />CSV
      </button>
      <button type="button" class="plain-button" @click="importer?.choose()">
        <IconFileImport width="17" height="17" aria-hidden="true" />Import CSV …
      </button>
    </div>
    <div ref="scroller" class="scroller">
      <table role="grid" :aria-rowcount="tableRows.length + 2" aria-label="Inventory">
        <colgroup>
          <col
            v-for="column in shownColumns"
            :key="column.name"
            :style="{ width: `${widthOf(column.name)}px` }"
          />
        </colgroup>
        <thead>
          <tr>
            <th
              v-for="column in shownColumns"
              :key="column.name"
              scope="col"
              :aria-sort="orderOf(column.name)"
            >
              <button type="button" class="sort" @click="table.getColumn(column.name)?.toggleSorting()">
                <span>{{ column.name }}</span>
                <IconArrowUp
                  v-if="orderOf(column.name) === 'ascending'"
                  width="14"
                  height="14"
                  aria-hidden="true"
                />
                <IconArrowDown
                  v-if="orderOf(column.name) === 'descending'"
                  width="14"
                  height="14"
                  aria-hidden="true"
                />
              </button>
            </th>
          </tr>
          <tr>
            <td v-for="column in shownColumns" :key="column.name" class="filter">
              <select
                v-if="column.name === 'state' || isYesNoField(column.field)"
                :aria-label="`Only with ${column.name}`"
                :value="filterOf(column.name)"
                @change="setFilter(column.name, ($event.target as HTMLSelectElement).value)"
              >
                <option value="">all</option>
                <option v-for="word in column.name === 'state' ? STATES : ['yes', 'no']" :key="word">
                  {{ word }}
                </option>
              </select>
              <input
                v-else
                :aria-label="`Only with ${column.name}`"
                :placeholder="column.field || column.name === 'address' ? 'contains …' : '> 0'"
                :value="filterOf(column.name)"
                @input="setFilter(column.name, ($event.target as HTMLInputElement).value)"
              />
            </td>
          </tr>
        </thead>
        <tbody>
          <tr v-if="above > 0" aria-hidden="true" :style="{ height: `${above}px` }">
            <td :colspan="shownColumns.length" />
          </tr>
          <tr
            v-for="{ index, row } in drawn"
            :key="row.id"
            :class="{ chosen: chosen.ids.has(row.id), lead: chosen.id === row.id }"
            :aria-rowindex="index + 3"
            :aria-selected="chosen.ids.has(row.id)"
          >
            <td
              v-for="column in shownColumns"
              :key="column.name"
              :class="{ number: typeof row.cells[column.name] === 'number', set: column.field }"
              :tabindex="row.id === tabRow && column.name === tabColumn ? 0 : -1"
              :title="String(row.cells[column.name] ?? '')"
              @click="click(row.id, column.name)"
              @dblclick="edit(row.id, column)"
              @keydown="press($event, row.id, column)"
              @paste="paste($event, row.id, column)"
            >
              <InventoryCell
                :column="column"
                :value="row.cells[column.name]"
                :is-editing="editing && active.row === row.id && active.column === column.name"
                :typed-over="typedOver"
                :save="save(row.id, column)"
                @done="endEdit"
              />
            </td>
          </tr>
          <tr v-if="below > 0" aria-hidden="true" :style="{ height: `${below}px` }">
            <td :colspan="shownColumns.length" />
          </tr>
        </tbody>
      </table>
      <Empty v-if="tableRows.length === 0" description="No page is like that." />
    </div>
    <p class="help quiet">Double-click, press Enter or type to edit a cell; arrow keys move between cells.</p>
    <InventoryImport ref="importer" />
  </div>
</template>

<style scoped>
.inventory {
  display: flex;
  flex-direction: column;
}

.bar {
  display: flex;
  flex: none;
  align-items: center;
  flex-wrap: wrap;
  gap: 2px 12px;
  padding-bottom: 4px;
  white-space: nowrap;
}

.gap {
  flex: 1;
}

.columns {
  display: grid;
  gap: 4px;
}

.columns :deep(.ant-checkbox-wrapper) {
  margin: 0;
}

.scroller {
  flex: 1;
  min-height: 0;
  overflow: auto;
  background: var(--card);
  border: 1px solid var(--rule);
}

table {
  width: 100%;
  min-width: 900px;
  border-collapse: separate;
  border-spacing: 0;
  table-layout: fixed;
}

thead {
  position: sticky;
  top: 0;
  z-index: 2;
}

th,
.filter {
  padding: 0;
  background: #ece6d4;
  text-align: left;
}

.filter {
  padding: 0 3px 4px;
  border-bottom: 1px solid var(--rule);
}

.sort {
  display: flex;
  align-items: center;
  gap: 2px;
  width: 100%;
  height: 28px;
  padding: 0 6px;
  color: inherit;
  background: none;
  border: 0;
  font: 600 13px var(--sign);
  cursor: pointer;
}

.sort span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.sort span::first-letter {
  text-transform: uppercase;
}

.sort:hover {
  text-decoration: underline;
}

.filter input,
.filter select {
  width: 100%;
  height: 24px;
  padding: 0 4px;
  color: inherit;
  background: #fff;
  border: 1px solid #bdb79f;
  border-radius: 3px;
  font: inherit;
  font-size: 12.5px;
}

.filter input::placeholder {
  color: #6b7a79;
}

tbody td {
  position: relative;
  height: 31px;
  padding: 0 7px;
  overflow: hidden;
  border-bottom: 1px solid #eee9da;
  text-overflow: ellipsis;
  white-space: nowrap;
}

tbody td:has(input, select) {
  padding: 0 2px;
  overflow: visible;
}

tbody td:focus-visible {
  outline-offset: -2px;
}

tr:hover .set {
  background: #f6f1e2;
}

.number {
  text-align: right;
}

.chosen td,
.chosen:hover .set {
  background: var(--here);
}

.lead td:first-child {
  box-shadow: inset 5px 0 0 var(--ochre);
}

.help {
  flex: none;
  margin: 6px 0 0;
}
</style>
