<script setup lang="ts">
import { Checkbox } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { FoundFile } from '@viatica/core/publish/report.ts'
import FoundFileSides from './FoundFileSides.vue'
import { counted } from './words.ts'

/** Files that somebody else made or changed on the host, which publishing would replace or delete. */
const props = defineProps<{ found: readonly FoundFile[] }>()
/** Before the first publication, files on the host are nobody's change of what was published. */
const isNew = computed(() => props.found.every(({ was }) => was === null))
const letGo = defineModel<boolean>('letGo', { required: true })
const looked = ref<FoundFile>()

const MOST = 8
</script>

<template>
  <div class="found">
    <p>
      <template v-if="isNew">
        <strong>{{ counted(found.length, 'file is', 'files are') }} already there.</strong>
        Viatica did not publish {{ found.length === 1 ? 'it' : 'them' }}: check that this is the folder of
        this site.
      </template>
      <template v-else>
        <strong
          >{{ counted(found.length, 'file') }} on the host {{ found.length === 1 ? 'is' : 'are' }} not as
          published.</strong
        >
        Somebody changed {{ found.length === 1 ? 'it' : 'them' }} there.
      </template>
    </p>
    <ul>
      <li v-for="file in found.slice(0, MOST)" :key="file.path">
        <code>{{ file.path }}</code>
        <span v-if="!isNew && file.was === null" class="quiet">already there</span>
        <button type="button" class="link-button" @click="looked = file">Look at it</button>
      </li>
      <li v-if="found.length > MOST">and {{ found.length - MOST }} more</li>
    </ul>
    <Checkbox v-model:checked="letGo"
      >Replace {{ found.length === 1 ? 'it' : 'them' }}; a copy is kept under Publications</Checkbox
    >
    <FoundFileSides v-if="looked" :file="looked" @close="looked = undefined" />
  </div>
</template>

<style scoped>
.found {
  margin-bottom: 8px;
  padding: 8px 12px;
  background: var(--card);
  border: 1px solid var(--brick);
  border-radius: 3px;
}

p {
  margin: 0 0 4px;
}

ul {
  margin: 0 0 6px;
  padding-left: 18px;
}

code {
  margin-right: 6px;
}
</style>
