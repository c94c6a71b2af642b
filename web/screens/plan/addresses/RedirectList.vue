<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { pinPages, unpinnedPages } from '@viatica/core/address/pins.ts'
import { type Redirect, redirectsOf } from '@viatica/core/address/redirects.ts'
import type { Change, SetEntry } from '@viatica/core/plan/change/change.ts'
import { type RedirectTarget, labelOf, type PageEntry } from '@viatica/core/plan/entry.ts'
import { entryOf } from '@viatica/core/plan/plan.ts'
import type { OwnRedirect } from '@viatica/core/plan/site.ts'
import { isSameData } from '@viatica/core/standard/sameData.ts'
import { Button, Empty, Input, RadioGroup } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useDraft } from '../../../parts/draft.ts'
import EntryField from '../../../parts/EntryField.vue'
import { useOpenSite } from '../../../stores/openSite.ts'

/** Which pages keep the address they were given out at, and what leads on from old addresses. */
const WHY_IT_RESTS: Readonly<Record<NonNullable<Redirect['rests']>, string>> = {
  'page-there': 'rests: a page stands there now',
  'file-there': 'rests: a file stands there now, or where its folder would be',
  'folder-there': 'rests: a folder stands there now',
  'redirect-there': 'rests: another redirect stands there',
  'leads-nowhere': 'rests: it leads to what is not on the site',
  'leads-back': 'rests: it leads to itself',
}

const openSite = useOpenSite()
const site = computed(() => openSite.shown)
const redirects = computed(() => redirectsOf(site.value))
const unpinned = computed(() => unpinnedPages(site.value))
const pinned = computed(() =>
  [...site.value.plan.entries.values()].filter(
    (entry): entry is PageEntry => entry.kind === 'page' && entry.pin !== null,
  ),
)

function targetWords(target: RedirectTarget): string {
  if (target.to === 'address') return target.url
  const entry = site.value.plan.entries.get(target.entry)
  if (!entry) return 'a page that is gone'
  const path = addressesOf(site.value).paths.get(target.entry)
  return `${labelOf(entry)} (${path ?? 'no address'})`
}

function pinAll(): void {
  const change = pinPages(site.value, unpinned.value, true)
  if (change) openSite.makeOrTell(change)
}

function releaseAll(): void {
  const changes = pinned.value.map(({ id }): SetEntry => ({
    kind: 'setEntry',
    entry: id,
    field: 'pin',
    value: null,
  }))
  openSite.makeOrTell({ kind: 'batch', words: `The addresses of ${changes.length} pages released`, changes })
}

const setOwn = (value: OwnRedirect[]): Change => ({ kind: 'setSite', field: 'redirects', value })
const ownBut = (from: string) => site.value.settings.redirects.filter((one) => one.from !== from)

/** A redirect of the author goes; one that a pin left behind is forgotten by its page. */
function remove({ from, to, origin }: Redirect): void {
  if (origin === 'own') return void openSite.makeOrTell(setOwn(ownBut(from)))
  const page = to.to === 'entry' ? entryOf(site.value.plan, to.entry) : undefined
  if (page?.kind !== 'page' || !page.pin) return
  const addresses = page.pin.addresses.filter((path) => path !== from)
  const value = addresses.length === 0 ? null : { ...page.pin, addresses }
  openSite.makeOrTell({ kind: 'setEntry', entry: page.id, field: 'pin', value })
}

const from = ref('')
const leadsTo = ref<'page' | 'address'>('page')
const page = ref(site.value.plan.home)
const url = ref('')
const fault = ref('')
/** The redirect that is being edited, by the address it starts at. */
const editing = ref('')

function edit(redirect: Redirect): void {
  editing.value = from.value = redirect.from
  leadsTo.value = redirect.to.to === 'entry' ? 'page' : 'address'
  if (redirect.to.to === 'entry') page.value = redirect.to.entry
  else url.value = redirect.to.url
  begun.value = typed.value
}

function clear(): void {
  editing.value = from.value = url.value = fault.value = ''
  begun.value = typed.value
}

const typed = computed(() => ({
  editing: editing.value,
  from: from.value,
  to: leadsTo.value,
  page: page.value,
  url: url.value,
}))
/** The form before anything was typed into it. */
const begun = ref(typed.value)

useDraft({
  site: openSite.id,
  form: 'redirect',
  words: 'Redirect',
  content: () => (isSameData(typed.value, begun.value) ? undefined : typed.value),
  restore(content) {
    editing.value = content.editing
    from.value = content.from
    leadsTo.value = content.to
    if (site.value.plan.entries.has(content.page)) page.value = content.page
    url.value = content.url
  },
})

function put(): void {
  const to: RedirectTarget =
    leadsTo.value === 'page'
      ? { to: 'entry', entry: page.value, fragment: '' }
      : { to: 'address', url: url.value.trim() }
  const others = ownBut(editing.value)
  fault.value = openSite.make(setOwn([...others, { from: from.value.trim(), to }])) ?? ''
  if (fault.value === '') clear()
}
</script>

<template>
  <div class="redirects">
    <section class="list" aria-labelledby="redirects-heading">
      <div class="pins">
        <span>
          {{ pinned.length === 0 ? 'No address is' : `${pinned.length} pages are` }} pinned.
          <template v-if="unpinned.length > 0">
            {{ unpinned.length === 1 ? '1 page stands' : `${unpinned.length} pages stand` }} at an address
            that is not pinned yet.
          </template>
        </span>
        <Button v-if="unpinned.length > 0" @click="pinAll">Pin all</Button>
        <Button v-if="pinned.length > 0" @click="releaseAll">Release all</Button>
      </div>
      <h2 id="redirects-heading">Redirects</h2>
      <Empty
        v-if="redirects.length === 0"
        description="No redirects. One comes by itself when a pinned page moves; others are made at the right."
      />
      <table v-else>
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">Leads to</th>
            <th scope="col">Created</th>
            <th scope="col"><span class="unseen">Actions</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="redirect in redirects" :key="redirect.from" :class="{ rests: redirect.rests }">
            <td>
              <code>{{ redirect.from }}</code>
              <span v-if="redirect.rests" class="why">{{ WHY_IT_RESTS[redirect.rests] }}</span>
            </td>
            <td>{{ targetWords(redirect.to) }}</td>
            <td>{{ redirect.origin === 'own' ? 'by you' : 'automatically' }}</td>
            <td class="actions">
              <button
                type="button"
                class="link-button"
                :aria-label="`Edit the redirect from ${redirect.from}`"
                @click="edit(redirect)"
              >
                Edit
              </button>
              <button
                type="button"
                class="link-button"
                :aria-label="`Remove the redirect from ${redirect.from}`"
                @click="remove(redirect)"
              >
                Remove
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <form class="form" @submit.prevent="put">
      <h2>{{ editing ? 'Edit a redirect' : 'A new redirect' }}</h2>
      <div class="field">
        <label class="field-label" for="from">From (a path of the site)</label>
        <Input id="from" v-model:value="from" class="mono" placeholder="old/locks.html" />
      </div>
      <div class="field">
        <span id="leads-to" class="field-label">Leads to</span>
        <RadioGroup
          v-model:value="leadsTo"
          aria-labelledby="leads-to"
          :options="[
            { value: 'page', label: 'a page' },
            { value: 'address', label: 'an address' },
          ]"
        />
      </div>
      <EntryField
        v-if="leadsTo === 'page'"
        v-model="page"
        label="Page"
        :site="site"
        :can-choose="(id) => entryOf(site.plan, id).kind === 'page'"
      />
      <div v-else class="field">
        <label class="field-label" for="url">Address</label>
        <Input id="url" v-model:value="url" placeholder="https://www.example.org/" />
      </div>
      <p v-if="fault" class="field-fault" role="alert">{{ fault }}</p>
      <p class="buttons">
        <Button type="primary" html-type="submit">{{ editing ? 'Save' : 'Add' }}</Button>
        <Button v-if="editing" @click="clear">Cancel</Button>
      </p>
    </form>
  </div>
</template>

<style scoped>
.redirects {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 270px;
  gap: 24px;
}

.list {
  min-height: 0;
  overflow-y: auto;
}

.pins {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 14px;
  padding: 10px 14px;
  background: var(--card);
  border: 1px solid var(--rule);
  border-radius: 3px;
}

.pins span:first-child {
  flex: 1;
}

h2 {
  margin-bottom: 8px;
  font-size: 16px;
}

table {
  width: 100%;
  background: var(--card);
  border: 1px solid var(--rule);
  border-collapse: collapse;
}

th,
td {
  padding: 6px 10px;
  border-bottom: 1px solid #eee9da;
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}

th:nth-child(3),
td:nth-child(3) {
  width: 84px;
  white-space: nowrap;
}

th {
  background: #ece6d4;
  font: 600 13px var(--sign);
}

.rests code {
  color: var(--slate);
  text-decoration: line-through;
}

.why {
  display: block;
  color: var(--slate);
  font-size: 12.5px;
}

.actions {
  white-space: nowrap;
}

.actions .link-button + .link-button {
  margin-left: 10px;
}

.mono {
  font-family: var(--mono);
  font-size: 12.5px;
}

.buttons {
  display: flex;
  gap: 8px;
}

@media (max-width: 820px) {
  .redirects {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
