<script setup lang="ts">
import type { SetSite } from '@viatica/core/plan/change/change.ts'
import type { SettingName } from '@viatica/core/plan/site.ts'
import { Radio, RadioGroup } from 'ant-design-vue'
import { computed } from 'vue'
import PictureField from '../../parts/PictureField.vue'
import SavedText from '../../parts/SavedText.vue'
import { useOpenSite } from '../../stores/openSite.ts'

const openSite = useOpenSite()
const settings = computed(() => openSite.site!.settings)

const change = (field: SettingName, value: unknown) => ({ kind: 'setSite', field, value }) as SetSite
const setter = (field: SettingName) => (value: unknown) => openSite.make(change(field, value))

function setOrTell(field: SettingName, value: unknown): void {
  openSite.notice = openSite.make(change(field, value)) ?? ''
}
</script>

<template>
  <div>
    <h2>Header</h2>
    <SavedText label="Site name" :value="settings.name" :save="setter('name')" />
    <SavedText label="Language" code :value="settings.language" :save="setter('language')">
      <template #hint>a tag such as en-GB or de; it stands in the head of every page</template>
    </SavedText>
    <SavedText label="Tagline" :value="settings.tagline" :save="setter('tagline')" />
    <PictureField label="Logo" :value="settings.logo" :change="(value) => change('logo', value)" />

    <h2>Titles</h2>
    <SavedText label="Of a page" code :value="settings.titlePattern" :save="setter('titlePattern')">
      <template #hint>{title}, {site} and {tagline} stand for what they say</template>
    </SavedText>
    <SavedText
      label="Of the home page"
      code
      :value="settings.homeTitlePattern"
      :save="setter('homeTitlePattern')"
    />

    <h2>Menu</h2>
    <fieldset class="field plain">
      <legend class="field-label">Levels of the plan it shows</legend>
      <RadioGroup
        :value="settings.menuDepth"
        name="depth"
        @change="setOrTell('menuDepth', $event.target.value)"
      >
        <Radio :value="1">one</Radio>
        <Radio :value="2">two, with submenus</Radio>
      </RadioGroup>
    </fieldset>
    <fieldset class="field plain">
      <legend class="field-label">The item of the current page</legend>
      <RadioGroup :value="settings.hereForm" name="here" @change="setOrTell('hereForm', $event.target.value)">
        <Radio value="link">stays a link</Radio>
        <Radio value="text">plain text</Radio>
      </RadioGroup>
    </fieldset>

    <h2>Words</h2>
    <div class="two">
      <SavedText label="For previous" :value="settings.previousWord" :save="setter('previousWord')" />
      <SavedText label="For next" :value="settings.nextWord" :save="setter('nextWord')" />
    </div>

    <h2>Footer</h2>
    <SavedText label="Text" :rows="3" :value="settings.footerText" :save="setter('footerText')" />
    <SavedText label="Contact address" :value="settings.contact" :save="setter('contact')">
      <template #hint>an e-mail address becomes a link</template>
    </SavedText>
    <SavedText label="Copyright line" :value="settings.copyright" :save="setter('copyright')" />
  </div>
</template>

<style scoped>
h2 {
  margin: 18px 0 8px;
  padding-bottom: 3px;
  border-bottom: 2px solid var(--pine);
  font-size: 16px;
}

h2:first-child {
  margin-top: 0;
}

.plain {
  margin-inline: 0;
  padding: 0;
  border: 0;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
