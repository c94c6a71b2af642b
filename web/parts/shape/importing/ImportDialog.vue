<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import { isOfTemplates } from '@viatica/core/plan/site.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { Alert, Button, Checkbox, Input, RadioGroup } from 'ant-design-vue'
import { computed } from 'vue'
import { useChosen } from '../../../stores/chosen.ts'
import { useOpenSite } from '../../../stores/openSite.ts'
import ModalDialog from '../../ModalDialog.vue'
import PagesDrop from '../../pages/PagesDrop.vue'
import { counted } from '../../pages/steps.ts'
import WorkProgress from '../../pages/WorkProgress.vue'
import { useImporting } from './importing.ts'

/** Adds existing pages to the site that is open, all in one change, after they were looked at. */
const emit = defineEmits<{ close: [] }>()

const SHOWN = 200

const openSite = useOpenSite()
const chosen = useChosen()

const above = chosen.entry!.kind === 'link' ? valueFor(openSite.shown.plan.parents, chosen.id) : chosen.id
const aboveLabel = labelOf(valueFor(openSite.shown.plan.entries, above))
const importing = useImporting(above)
const { progress, trouble, joined, ripple, joining } = importing

const WHERE = [
  { value: false, label: `where their links say, else under “${aboveLabel}”` },
  { value: true, label: `all under “${aboveLabel}”` },
]

const rows = computed(() => {
  const added = joined.value!.change.kind === 'batch' ? joined.value!.change.changes : []
  const titles = new Map(joined.value!.pages.map(({ id, title }) => [id, title]))
  for (const one of added)
    if (one.kind === 'add')
      for (const branch of one.branches) if (branch.kind === 'group') titles.set(branch.id, branch.label)
  return joined.value!.pages.slice(0, SHOWN).map((page) => {
    const there = openSite.shown.plan.entries.get(page.parent)
    return { ...page, under: there ? labelOf(there) : (titles.get(page.parent) ?? '') }
  })
})
const differences = computed(() => joined.value!.pages.reduce((sum, page) => sum + page.differences, 0))
const hasTemplates = computed(() => isOfTemplates(openSite.shown))

async function take(): Promise<void> {
  const first = await importing.take()
  if (first === undefined) return
  emit('close')
  chosen.choose(first)
}
</script>

<template>
  <ModalDialog open wide title="Import pages" @close="$emit('close')">
    <WorkProgress v-if="progress" class="progress" :progress="progress" @stop="importing.stop" />
    <Alert v-if="trouble" class="trouble" type="error" role="alert" :message="trouble" />
    <PagesDrop
      v-if="!joined && !progress"
      class="pages-drop"
      heading="Drop pages, a folder or a zip archive here"
      :level="3"
      single
      @picked="importing.start"
    >
      <template v-if="hasTemplates">
        Each page gets the template that it matches best; its HTML does not change. Pictures and other files
        are imported too.
      </template>
      <template v-else>
        Only content, titles and hierarchy are imported: menus, header and footer are those of this site.
        Pictures and other files are imported too.
      </template>
    </PagesDrop>
    <template v-if="joined">
      <div class="pages" tabindex="0" role="region" aria-label="Pages to be imported">
        <table>
          <thead>
            <tr>
              <th scope="col">Page</th>
              <th scope="col">Parent</th>
              <th v-if="hasTemplates" scope="col">Template</th>
              <th v-if="hasTemplates" scope="col">Differences</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="page in rows" :key="page.id">
              <td>
                {{ page.title }}
                <span class="path">{{ page.path }}</span>
              </td>
              <td>{{ page.under }}</td>
              <td v-if="hasTemplates">{{ page.template }}</td>
              <td v-if="hasTemplates">{{ page.differences || 'none' }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="joined.pages.length > SHOWN">and {{ joined.pages.length - SHOWN }} more</p>
      </div>
      <details v-if="joined.passedOver.length > 0">
        <summary>
          {{
            counted(joined.passedOver.length, 'file not imported as a page', 'files not imported as pages')
          }}
        </summary>
        <ul>
          <li v-for="{ path, reason } in joined.passedOver.slice(0, SHOWN)" :key="path">
            <span class="path">{{ path }}</span> {{ reason }}
          </li>
        </ul>
      </details>
      <div class="settings">
        <label for="import-folder">Folder on the site</label>
        <Input
          id="import-folder"
          :value="importing.folder.value ?? joined.folder"
          placeholder="none: the top of the site"
          :maxlength="300"
          @update:value="(to: string) => importing.moveTo(to === '' || to.endsWith('/') ? to : `${to}/`)"
        />
        <span id="import-where">Place in the plan</span>
        <RadioGroup
          :value="joining.isChosen"
          aria-labelledby="import-where"
          :options="WHERE"
          @update:value="(to: boolean) => (joining = { ...joining, isChosen: to })"
        />
      </div>
      <p>
        <Checkbox
          :checked="joining.inMenu"
          @update:checked="(to: boolean) => (joining = { ...joining, inMenu: to })"
          >Show them in menus</Checkbox
        >
      </p>
      <p v-if="differences > 0">
        <Checkbox
          :checked="joining.inLine"
          @update:checked="(to: boolean) => (joining = { ...joining, inLine: to })"
          >Bring {{ counted(differences, 'difference') }} from the template into line</Checkbox
        >
        <span class="help">Otherwise Proof lists them, each with a fix.</span>
      </p>
      <p class="ripple" role="status">{{ ripple && `Changes: ${ripple}` }}</p>
    </template>
    <template #buttons>
      <Button @click="$emit('close')">Cancel</Button>
      <Button type="primary" :disabled="!joined || progress !== undefined" @click="take">
        {{ joined ? `Import ${counted(joined.pages.length, 'page')}` : 'Import' }}
      </Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.progress {
  margin-bottom: 8px;
}

.trouble {
  margin-bottom: 10px;
}

.pages {
  max-height: 240px;
  margin-bottom: 10px;
  overflow: auto;
  border: 1px solid var(--rule);
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 4px 8px;
  text-align: left;
  vertical-align: top;
  border-bottom: 1px solid var(--rule);
}

td:first-child {
  min-width: 160px;
}

th {
  position: sticky;
  top: 0;
  background: var(--card);
  font: 500 14px var(--sign);
}

.path {
  display: block;
  color: var(--slate);
  font: 400 12.5px/1.4 var(--mono);
  overflow-wrap: anywhere;
}

.settings {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px 14px;
  align-items: baseline;
  margin: 10px 0;
}

.help {
  margin-left: 8px;
  color: var(--slate);
}

.ripple {
  min-height: 22px;
  margin: 6px 0 0;
  font-weight: 500;
}

@media (max-width: 560px) {
  .settings {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
