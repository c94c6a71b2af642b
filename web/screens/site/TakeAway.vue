<script setup lang="ts">
import { type Export, EXPORTS } from '@viatica/core/formats/exports.ts'
import { pinPages, unpinnedPages } from '@viatica/core/address/pins.ts'
import IconChevronDown from '~icons/tabler/chevron-down'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import MenuButton from '../../parts/MenuButton.vue'
import { useOpenSite } from '../../stores/openSite.ts'

const openSite = useOpenSite()

const WORDS: Readonly<Record<Export, string>> = {
  'archive.zip': 'The finished site (ZIP)',
  'site.json': 'A site file to open again (JSON, large sites ZIP)',
  'plan.opml': 'The plan as an outline (OPML)',
}
const urlOf = (name: Export) => sitesApi.exportUrl(openSite.id, name)

const exports = computed(() => EXPORTS.map((name) => ({ key: name, label: WORDS[name], href: urlOf(name) })))

/** The pages whose addresses a published site would give out, and nothing holds yet; counted when it is taken away. */
const unpinned = ref(0)

function offerToPin(): void {
  unpinned.value = unpinnedPages(openSite.site!).length
}

function pinAll(): void {
  const change = pinPages(openSite.site!, unpinnedPages(openSite.site!))
  unpinned.value = 0
  if (change) openSite.makeOrTell(change)
}

function takeSite(event: Event): void {
  void holdBack(event)
  offerToPin()
}

/** What is taken away is what the server has: edits on their way must arrive first. */
async function holdBack(event: Event): Promise<void> {
  if (openSite.saveState === 'saved') return
  event.preventDefault()
  const { href } = event.currentTarget as HTMLAnchorElement
  if (await openSite.settle()) return location.assign(href)
  openSite.notice = 'Your last edits are not saved yet. Take the site away when the frame says “Saved”.'
}
</script>

<template>
  <div class="take-away">
    <a class="main" :href="urlOf('archive.zip')" download @click="takeSite">Download site</a>
    <MenuButton class="more" label="Export as …" :entries="exports" @act="(_, event) => holdBack(event)">
      <IconChevronDown width="16" height="16" aria-hidden="true" />
    </MenuButton>
    <div v-if="unpinned > 0" class="offer" role="status">
      <p>
        If you publish this, pin {{ unpinned === 1 ? 'its 1 address' : `its ${unpinned} addresses` }}: then a
        new title breaks no link from elsewhere, and a page that moves leaves a redirect.
      </p>
      <Button type="primary" @click="pinAll">Pin them</Button>
      <Button @click="unpinned = 0">Cancel</Button>
    </div>
  </div>
</template>

<style scoped>
.offer {
  position: absolute;
  top: 62px;
  right: 12px;
  z-index: 6;
  width: 330px;
  padding: 12px 16px;
  color: var(--ink);
  background: var(--card);
  border: 2px solid var(--pine);
  border-radius: 3px;
}

.offer p {
  margin: 0 0 10px;
}

.offer .ant-btn {
  margin-right: 8px;
}

.take-away {
  display: flex;
  margin-left: 4px;
  border: 1px solid #fff;
  border-radius: 3px;
}

.main {
  padding: 4px 10px;
  color: #fff;
  font-weight: 500;
  text-decoration: none;
  white-space: nowrap;
}

.take-away :deep(.more) {
  display: grid;
  place-items: center;
  padding: 0 5px;
  color: #fff;
  background: none;
  border: 0;
  border-left: 1px solid var(--moss);
  cursor: pointer;
}

.main:hover,
.take-away :deep(.more:hover) {
  background: rgb(255 255 255 / 18%);
}
</style>
