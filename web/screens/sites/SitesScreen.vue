<script setup lang="ts">
import IconTrash from '~icons/tabler/trash'
import { Alert, Button, Empty, Spin } from 'ant-design-vue'
import { computed, onBeforeUnmount, onMounted, shallowRef } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { access } from '../../api/access.ts'
import { useAttempt } from '../../api/attempt.ts'
import type { SiteSummary } from '@viatica/core/protocol/sites.ts'
import { sitesApi } from '../../api/sites.ts'
import IconButton from '../../parts/IconButton.vue'
import ModalDialog from '../../parts/ModalDialog.vue'
import { KeptInBrowser } from '../../exchange/keptInBrowser.ts'
import { loadFirstScreen } from '../screens.ts'
import NewSite from './NewSite.vue'

const router = useRouter()
const sites = shallowRef<readonly SiteSummary[]>()
const { trouble, attempt } = useAttempt()
const removing = shallowRef<SiteSummary>()

const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' })

/** Names that several sites have: these are told apart by what else they are called, and by their ids. */
const sharedNames = computed(() => {
  const names = (sites.value ?? []).map(({ name }) => name.trim().toLowerCase())
  return new Set(names.filter((name, at) => names.indexOf(name) !== at))
})
const isShared = ({ name }: SiteSummary) => sharedNames.value.has(name.trim().toLowerCase())

/** Sites with edits that were kept in this browser when their window was closed. */
const waiting = shallowRef<ReadonlyMap<string, number>>(new Map())

const read = () => attempt(async () => void (sites.value = await sitesApi.list()))

const open = ({ id }: { id: string }) => router.push({ name: 'plan', params: { id } })

/** Edits that wait stay in this browser, and are saved after the next sign-in. */
const signOut = () =>
  attempt(async () => {
    await access.signOut()
    await router.push({ name: 'sign-in' })
  })

function removeNow(): void {
  const { id } = removing.value!
  removing.value = undefined
  void attempt(async () => {
    await sitesApi.remove(id)
    await read()
  })
}

let stopLoading = () => {}
onBeforeUnmount(() => stopLoading())

onMounted(() => {
  document.title = 'Sites · Viatica'
  void read().then(() => (stopLoading = loadFirstScreen()))
  void new KeptInBrowser().waiting().then((counts) => (waiting.value = counts))
})
</script>

<template>
  <div class="screen">
    <header class="sign">
      <svg viewBox="0 0 60 40" width="66" height="44" aria-hidden="true">
        <path d="M26 3h6v37h-6z" fill="#f6f3ea" />
        <path d="M8 6h36l9 7-9 7H8z" fill="#f6f3ea" />
        <path d="M52 22H20l-7 5.5 7 5.5h32z" fill="#9fb8ad" />
        <circle cx="17" cy="13" r="3.6" fill="#c98a12" />
      </svg>
      <div>
        <h1>Viatica</h1>
        <p>Plan a site’s pages once; every menu, breadcrumb and footer follows.</p>
      </div>
      <Button v-if="access.isNeeded" class="sign-out" ghost @click="signOut">Sign out</Button>
    </header>

    <main>
      <Alert
        v-if="trouble"
        class="trouble"
        type="error"
        role="alert"
        closable
        :message="trouble"
        @close="trouble = ''"
      />
      <section aria-labelledby="sites-heading">
        <h2 id="sites-heading">Your sites</h2>
        <Spin v-if="!sites && !trouble" />
        <Empty
          v-else-if="sites?.length === 0"
          description="There is no site yet. Start one beside, or open a file."
        />
        <ul v-else class="sites">
          <li v-for="site in sites" :key="site.id">
            <RouterLink :to="{ name: 'plan', params: { id: site.id } }" class="arm">
              <span class="name">{{ site.name }}</span>
              <span v-if="isShared(site)" class="facts">
                <template v-if="site.baseUrl || site.tagline">{{ site.baseUrl || site.tagline }} · </template
                ><code>{{ site.id.slice(0, 6) }}</code>
              </span>
              <span class="facts">
                {{ site.pages }} {{ site.pages === 1 ? 'page' : 'pages' }} · changed
                {{ day.format(new Date(site.changedAt)) }}
                <strong v-if="waiting.has(site.id)">· edits not saved yet: open to save them</strong>
              </span>
            </RouterLink>
            <IconButton
              :icon="IconTrash"
              :label="isShared(site) ? `Remove ${site.name} (${site.id.slice(0, 6)})` : `Remove ${site.name}`"
              title="Remove"
              @click="removing = site"
            />
          </li>
        </ul>
      </section>

      <NewSite @made="open" />
    </main>

    <ModalDialog
      :open="removing !== undefined"
      :title="`Remove the site “${removing?.name}”?`"
      @close="removing = undefined"
    >
      <p>Its {{ removing?.pages }} pages, its pictures and its history go with it. This cannot be undone.</p>
      <template #buttons>
        <Button @click="removing = undefined">Cancel</Button>
        <Button type="primary" danger @click="removeNow">Delete permanently</Button>
      </template>
    </ModalDialog>
  </div>
</template>

<style scoped>
.screen {
  min-height: 100vh;
}

.sign {
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 26px max(24px, calc(50vw - 470px));
  color: #fff;
  background: var(--pine);
}

.sign-out {
  margin-left: auto;
}

.sign h1 {
  font-size: 34px;
}

.sign p {
  margin: 2px 0 0;
  font-size: 16px;
}

main {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 16px 44px;
  max-width: 988px;
  margin: 0 auto;
  padding: 28px 24px;
}

.trouble {
  grid-column: 1 / -1;
}

h2 {
  margin-bottom: 12px;
  font-size: 19px;
}

.sites {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}

.sites li {
  display: flex;
  align-items: center;
  gap: 8px;
}

/* An arm of a fingerpost: the point is drawn with a clip, its edge with the same shape behind. */
.arm {
  position: relative;
  display: flex;
  flex: 1;
  flex-direction: column;
  padding: 12px 40px 12px 18px;
  color: var(--ink);
  background: var(--pine);
  clip-path: polygon(0 0, calc(100% - 24px) 0, 100% 50%, calc(100% - 24px) 100%, 0 100%);
  text-decoration: none;
}

.arm::before {
  content: '';
  position: absolute;
  inset: 2px 3px 2px 2px;
  background: var(--card);
  clip-path: polygon(0 0, calc(100% - 24px) 0, 100% 50%, calc(100% - 24px) 100%, 0 100%);
}

.arm:hover::before {
  background: #eef3ec;
}

.arm:focus-visible::before {
  background: #e2ece4;
}

.arm:focus-visible .name {
  text-decoration: underline;
}

.arm span {
  position: relative;
}

.name {
  font: 600 18px/1.3 var(--sign);
  overflow-wrap: anywhere;
}

.facts {
  color: var(--slate);
}

@media (max-width: 800px) {
  main {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
