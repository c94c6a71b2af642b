<script setup lang="ts">
import type { HostSecret } from '@viatica/core/publish/host.ts'
import { isSameData } from '@viatica/core/standard/sameData.ts'
import { Alert, Button, Popconfirm } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useDraft } from '../../parts/draft.ts'
import { useOpenSite } from '../../stores/openSite.ts'
import { usePublishing } from '../../stores/publishing.ts'
import HostFields from './HostFields.vue'

/** The settings of the chosen host, and whether it can be reached. */
const publishing = usePublishing()
const host = computed(() => publishing.host!)
const settings = ref(
  structuredClone(JSON.parse(JSON.stringify(publishing.host!.settings)) as typeof host.value.settings),
)
const secret = ref<HostSecret>({})
const isTyped = computed(() => Object.values(secret.value).some((part) => part !== undefined && part !== ''))
const isSaved = computed(() => !isTyped.value && isSameData(settings.value, host.value.settings))

useDraft({
  site: useOpenSite().id,
  form: `host ${host.value.id}`,
  words: `Settings of ${host.value.settings.name}`,
  content: () => (isSameData(settings.value, host.value.settings) ? undefined : settings.value),
  restore: (content) => (settings.value = content),
})

async function save(): Promise<void> {
  if (await publishing.setHost(settings.value, isTyped.value ? secret.value : undefined)) secret.value = {}
}

/** Approves the key or certificate that the host has, and tries again. */
async function trust(fingerprint: string): Promise<void> {
  if (settings.value.way.by === 'ftp') {
    settings.value = { ...settings.value, way: { ...settings.value.way, certificate: fingerprint } }
    await save()
  } else if (!(await publishing.trustKey(fingerprint))) return
  await publishing.tryHost()
}
</script>

<template>
  <form class="board" aria-label="Host settings" @submit.prevent="save">
    <HostFields
      v-model:settings="settings"
      v-model:secret="secret"
      :stored-for="host.hasSecret ? host.settings : undefined"
    />
    <p class="buttons">
      <Button type="primary" html-type="submit" :disabled="isSaved">Save</Button>
      <Button :loading="publishing.isTrying" :disabled="!isSaved" @click="publishing.tryHost"
        >Test connection</Button
      >
      <Popconfirm
        title="Remove this host and its list of publications? The files on the host are not changed."
        ok-text="Remove"
        cancel-text="Cancel"
        @confirm="publishing.removeHost"
      >
        <Button danger>Remove host …</Button>
      </Popconfirm>
    </p>
    <div role="status">
      <Alert
        v-if="publishing.tried"
        :type="publishing.tried.isReached ? 'success' : 'error'"
        show-icon
        :message="publishing.tried.isReached ? 'Connected. The site folder exists.' : publishing.tried.words"
      >
        <template v-if="publishing.tried.lacksFolder" #action>
          <Button size="small" @click="publishing.createFolder">Create folder</Button>
        </template>
        <template v-else-if="publishing.tried.fingerprint" #action>
          <Button size="small" @click="trust(publishing.tried.fingerprint)">{{
            host.settings.way.by === 'ftp' ? 'Trust this certificate' : 'Trust this key'
          }}</Button>
        </template>
      </Alert>
    </div>
    <p v-if="host.hostKey" class="key">
      <span class="field-label">Trusted host key</span>
      <code>{{ host.hostKey }}</code>
      <button type="button" class="link-button" @click="publishing.forgetKey">Remove this key</button>
      <span class="field-hint">
        Compare it with the fingerprint from your provider. Nothing is sent to a server with another key.
        Remove it only if your provider confirms a new key.
      </span>
    </p>
  </form>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 16px 0 12px;
}

.key code {
  margin-right: 8px;
  overflow-wrap: anywhere;
}

.key .field-label,
.key .field-hint {
  display: block;
}
</style>
