<script setup lang="ts">
import type { HostSecret } from '@viatica/core/publish/host.ts'
import { isSameData } from '@viatica/core/standard/sameData.ts'
import { Alert, Button, Popconfirm } from 'ant-design-vue'
import { computed, ref } from 'vue'
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

async function save(): Promise<void> {
  if (await publishing.setHost(settings.value, isTyped.value ? secret.value : undefined)) secret.value = {}
}

/** Says yes to a certificate that nobody known vouches for, and tries again. */
async function trust(certificate: string): Promise<void> {
  if (settings.value.way.by !== 'ftp') return
  settings.value = { ...settings.value, way: { ...settings.value.way, certificate } }
  await save()
  await publishing.tryHost()
}
</script>

<template>
  <form class="board" aria-label="Host settings" @submit.prevent="save">
    <HostFields v-model:settings="settings" v-model:secret="secret" :has-secret="host.hasSecret" />
    <p class="buttons">
      <Button type="primary" html-type="submit" :disabled="isSaved">Save</Button>
      <Button :loading="publishing.isTrying" :disabled="!isSaved" @click="publishing.tryHost"
        >Try the connection</Button
      >
      <Popconfirm
        title="Remove this host with its list of publications? What is on the host stays there."
        ok-text="Remove"
        cancel-text="Cancel"
        @confirm="publishing.removeHost"
      >
        <Button danger>Remove host …</Button>
      </Popconfirm>
    </p>
    <div role="status" class="tried">
      <Alert
        v-if="publishing.tried"
        :type="publishing.tried.isReached ? 'success' : 'error'"
        show-icon
        :message="
          publishing.tried.isReached
            ? 'The host lets us in, and the folder of the site is there.'
            : publishing.tried.words
        "
      />
      <Button
        v-if="publishing.tried?.fingerprint && host.settings.way.by === 'ftp'"
        @click="trust(publishing.tried.fingerprint)"
        >Trust this certificate</Button
      >
    </div>
    <p v-if="host.hostKey" class="key">
      <span class="field-label">Key of the host</span>
      <code>{{ host.hostKey }}</code>
      <button type="button" class="link-button" @click="publishing.forgetKey">Forget it</button>
      <span class="field-hint">
        Compare it with what whoever runs the host says. A host that answers with another key is not sent
        anything; forget it only when you know that it was changed.
      </span>
    </p>
  </form>
</template>

<style scoped>
.tried {
  display: grid;
  gap: 8px;
  justify-items: start;
}

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
