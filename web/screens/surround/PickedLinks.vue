<script setup lang="ts">
import { labelOf } from '@viatica/core/plan/entry.ts'
import type { PickedLink } from '@viatica/core/plan/surround/pickedLink.ts'
import { Button, Checkbox } from 'ant-design-vue'
import { ref } from 'vue'
import OrderButtons from '../../parts/OrderButtons.vue'
import SavedText from '../../parts/SavedText.vue'
import TargetField from '../../parts/TargetField.vue'
import { useOpenSite } from '../../stores/openSite.ts'

/** A list of links that the author picks: one of them is open to be edited. */
const props = defineProps<{
  label: string
  links: readonly PickedLink[]
  /** Whether a link can be drawn as a button. */
  canBeButton?: boolean
  save: (links: PickedLink[]) => string | undefined
}>()

const openSite = useOpenSite()
const open = ref('')

function tell(links: PickedLink[]): void {
  openSite.notice = props.save(links) ?? ''
}

const set = (at: number, fields: Partial<PickedLink>) =>
  props.save(props.links.with(at, { ...props.links[at]!, ...fields }))

function add(): void {
  const { home } = openSite.shown.plan
  const id = crypto.randomUUID()
  const target = { to: 'entry' as const, entry: home, fragment: '' }
  tell([...props.links, { id, label: '', target, isButton: false }])
  open.value = id
}

function whereTo({ target }: PickedLink): string {
  if (target.to === 'address') return target.url.replace(/^https?:\/\//, '')
  if (target.to === 'file') return openSite.shown.files.get(target.file)?.path ?? 'nowhere'
  const entry = openSite.shown.plan.entries.get(target.entry)
  return entry ? labelOf(entry) : 'nowhere'
}
</script>

<template>
  <section class="picked" :aria-label="label">
    <h3>{{ label }}</h3>
    <p v-if="links.length === 0" class="quiet">No links yet.</p>
    <ol>
      <li v-for="(link, at) in links" :key="link.id">
        <div class="line">
          <button
            type="button"
            class="name"
            :aria-expanded="open === link.id"
            @click="open = open === link.id ? '' : link.id"
          >
            {{ link.label || whereTo(link) }} <span class="quiet">→ {{ whereTo(link) }}</span>
          </button>
          <OrderButtons :name="link.label || whereTo(link)" :items="links" :at="at" @change="tell" />
        </div>
        <div v-if="open === link.id" class="fields">
          <SavedText
            label="Label"
            :value="link.label"
            :placeholder="link.target.to === 'entry' ? `as in the plan: ${whereTo(link)}` : ''"
            :save="(text) => set(at, { label: text })"
          />
          <TargetField :target="link.target" :save="(target) => set(at, { target })" />
          <Checkbox
            v-if="canBeButton"
            :checked="link.isButton"
            @change="set(at, { isButton: $event.target.checked })"
            >as a button</Checkbox
          >
        </div>
      </li>
    </ol>
    <Button size="small" @click="add">Add a link</Button>
  </section>
</template>

<style scoped>
.picked {
  margin-bottom: 12px;
}

h3 {
  margin: 0 0 4px;
  color: var(--slate);
  font: 500 13px/1.4 inherit;
}

p {
  margin: 0 0 6px;
}

ol {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}

li {
  border-bottom: 1px solid var(--rule);
}

.line {
  display: flex;
  align-items: center;
}

.name {
  flex: 1;
  min-width: 0;
  padding: 4px 0;
  overflow: hidden;
  color: inherit;
  background: none;
  border: 0;
  font: inherit;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.small-button:disabled {
  opacity: 0.3;
}

.fields {
  padding: 4px 0 8px 10px;
  border-left: 3px solid var(--moss);
}
</style>
