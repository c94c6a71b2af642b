<script setup lang="ts">
import { addressesOf } from '@viatica/core/address/addresses.ts'
import { documentTitle } from '@viatica/core/navigate/title.ts'
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import { walk } from '@viatica/core/plan/plan.ts'
import { WORD_LANGUAGES } from '@viatica/core/plan/surround/siteWords.ts'
import { valueFor } from '@viatica/core/standard/present.ts'
import { Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import PictureField from '../../parts/PictureField.vue'
import SavedText from '../../parts/SavedText.vue'
import NotFoundSettings from './NotFoundSettings.vue'
import { useOpenSite } from '../../stores/openSite.ts'

/** What browsers take as the icon of a site, and can be drawn at any size or kept small. */
const ICON_TYPES = ['svg', 'png', 'ico']

const openSite = useOpenSite()
const settings = computed(() => openSite.shown.settings)
const set = (field: SetSite['field'], value: unknown) =>
  openSite.make({ kind: 'setSite', field, value } as SetSite)

/** Two titles as they come out: of the home page, and of the first page beside it. */
const titles = computed(() => {
  const site = openSite.shown
  const pages = [...walk(site.plan)].flatMap(({ entry }) => (entry.kind === 'page' ? [entry] : []))
  return pages.slice(0, 2).map((page) => ({
    path: valueFor(addressesOf(site).paths, page.id),
    title: documentTitle(site, page),
  }))
})
</script>

<template>
  <div class="general">
    <section aria-label="The site">
      <h2>The site</h2>
      <SavedText label="Name" :value="settings.name" :save="(text) => set('name', text)" />
      <SavedText label="Tagline" :value="settings.tagline" :save="(text) => set('tagline', text)">
        <template #hint>shown with the name where the piece “Logo and site name” says so</template>
      </SavedText>
      <SavedText label="Language" code :value="settings.language" :save="(text) => set('language', text)">
        <template #hint
          >a tag such as en-GB or de; there are labels for {{ WORD_LANGUAGES.join(', ') }}</template
        >
      </SavedText>
      <SavedText
        label="Base URL"
        code
        placeholder="https://www.example.org/"
        :value="settings.baseUrl"
        :save="(text: string) => set('baseUrl', text)"
      >
        <template #hint>where the site will be published; empty while not known</template>
      </SavedText>
    </section>
    <div>
      <section aria-label="Pictures">
        <h2>Pictures</h2>
        <PictureField
          label="Logo"
          :value="settings.logo"
          :change="(value) => ({ kind: 'setSite', field: 'logo', value })"
        />
        <PictureField
          label="Icon"
          :types="ICON_TYPES"
          is-decorative
          :value="settings.icon === null ? null : { file: settings.icon, alt: '' }"
          :change="(value) => ({ kind: 'setSite', field: 'icon', value: value?.file ?? null })"
        />
        <p class="quiet hint">
          Browsers show the icon in tabs and bookmarks. A square SVG or PNG of at least 180 pixels suits all
          of them.
        </p>
      </section>
      <section aria-label="Link previews">
        <h2>Link previews</h2>
        <Checkbox :checked="settings.sharing" @change="set('sharing', $event.target.checked)"
          >Add Open Graph metadata to every page</Checkbox
        >
        <p class="quiet hint">
          Messengers and social networks show the title, description and picture of a page with a link to it:
          its banner, else the logo, as PNG, JPEG or WebP.
          <template v-if="settings.baseUrl === ''">This needs the base URL.</template>
        </p>
      </section>
      <section aria-label="Page titles">
        <h2>Page titles</h2>
        <SavedText
          label="Title of a page"
          code
          :value="settings.titlePattern"
          :save="(text) => set('titlePattern', text)"
        >
          <template #hint
            >{title}, {section}, {site} and {tagline} are filled in; an empty one goes with the sign before
            it</template
          >
        </SavedText>
        <SavedText
          label="Title of the home page"
          code
          :value="settings.homeTitlePattern"
          :save="(text) => set('homeTitlePattern', text)"
        />
        <table>
          <caption class="field-label">
            Browser titles now
          </caption>
          <tbody>
            <tr v-for="{ path, title } in titles" :key="path">
              <th scope="row">
                <code>{{ path }}</code>
              </th>
              <td>{{ title }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <NotFoundSettings />
    </div>
  </div>
</template>

<style scoped>
.general {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(280px, 100%), 1fr));
  align-content: start;
  gap: 16px 32px;
}

section + section {
  margin-top: 24px;
}

h2 {
  margin-bottom: 10px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

.hint {
  margin: -4px 0 0;
  font-size: 13px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

caption {
  text-align: left;
}

th,
td {
  padding: 3px 8px 3px 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
  text-align: left;
  overflow-wrap: anywhere;
}
</style>
