<script setup lang="ts">
import { isSameData } from '@viatica/core/standard/sameData.ts'
import { usualChoices } from '@viatica/core/publish/choices.ts'
import type { HostSecret, HostSettings } from '@viatica/core/publish/host.ts'
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import { useDraft } from '../../parts/draft.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import HostFields from './HostFields.vue'

/** A host that is not there yet. */
const openSite = useOpenSite()
const publishing = usePublishing()

const empty = (): HostSettings => ({
  name: publishing.hosts.length === 0 ? 'My host' : `Host ${publishing.hosts.length + 1}`,
  way: { by: 'sftp', server: '', port: 22, user: '', login: 'password', folder: '' },
  address: openSite.site?.settings.baseUrl ?? '',
  choices: usualChoices(openSite.shown),
})
const settings = ref(empty())
const secret = ref<HostSecret>({})

// The password or key is not stored in the browser.
const start = empty()
const discardDraft = useDraft({
  site: openSite.id,
  form: 'new host',
  words: 'New host',
  content: () => (isSameData(settings.value, start) ? undefined : settings.value),
  restore: (content) => (settings.value = content),
})

async function add(): Promise<void> {
  if (!(await publishing.addHost(settings.value, secret.value))) return
  secret.value = {}
  discardDraft()
}
</script>

<template>
  <form class="new" aria-label="New host" @submit.prevent="add">
    <h2>New host</h2>
    <p class="quiet lead">
      A host is the web server that visitors get the pages from. Nothing is sent before you have seen what
      changes.
    </p>
    <HostFields v-model:settings="settings" v-model:secret="secret" :stored-for="undefined" />
    <p class="buttons"><Button type="primary" html-type="submit">Add host</Button></p>
  </form>
</template>

<style scoped>
h2 {
  font-size: 17px;
}

.lead {
  max-width: 62ch;
}

.buttons {
  margin-top: 16px;
}
</style>
