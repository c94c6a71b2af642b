<script setup lang="ts">
import { IconChevronDown } from '@tabler/icons-vue'
import { Dropdown, Menu, MenuItem } from 'ant-design-vue'
import { computed } from 'vue'
import { sitesApi } from '../../api/sites.ts'
import { landmarkOf } from '../../parts/landmark.ts'
import { useOpenSite } from '../../stores/openSite.ts'

const openSite = useOpenSite()

const files = computed(() => [
  { key: 'archive', words: 'The finished site (ZIP)', url: sitesApi.archiveUrl(openSite.id) },
  { key: 'site', words: 'A site file to open again (JSON)', url: sitesApi.siteFileUrl(openSite.id) },
  { key: 'outline', words: 'The plan as an outline (OPML)', url: sitesApi.outlineUrl(openSite.id) },
])

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
    <a class="main" :href="files[0]!.url" download @click="holdBack">Take away</a>
    <Dropdown :trigger="['click']" placement="bottomRight" :get-popup-container="landmarkOf">
      <button type="button" aria-label="Take away as …" aria-haspopup="menu">
        <IconChevronDown :size="16" aria-hidden="true" />
      </button>
      <template #overlay>
        <Menu>
          <MenuItem v-for="file in files" :key="file.key">
            <a :href="file.url" download @click="holdBack">{{ file.words }}</a>
          </MenuItem>
        </Menu>
      </template>
    </Dropdown>
  </div>
</template>

<style scoped>
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

button {
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
button:hover {
  background: rgb(255 255 255 / 18%);
}
</style>
