<script setup lang="ts">
import { Alert, Button } from 'ant-design-vue'
import { useOpenSite } from '../../stores/openSite.ts'

/** Edits that could not be saved, and text from a window that was closed: kept until the author decides. */
const openSite = useOpenSite()
</script>

<template>
  <Alert v-if="openSite.apart.length > 0" type="error" role="alert">
    <template #message>
      <p v-if="openSite.apart.length === 1" class="head">
        One edit could not be saved. It is kept in this browser until you decide.
      </p>
      <p v-else class="head">
        {{ openSite.apart.length }} edits could not be saved. They are kept in this browser until you decide.
      </p>
      <ul>
        <li v-for="edit in openSite.apart" :key="edit.id">
          <span class="words"><strong>{{ edit.words }}</strong>: {{ edit.reason }}</span>
          <Button size="small" :aria-label="`Apply anyway: ${edit.words}`" @click="openSite.tryAgain(edit)"
            >Apply anyway</Button
          >
          <Button size="small" :aria-label="`Discard: ${edit.words}`" @click="openSite.discard(edit.id)"
            >Discard</Button
          >
        </li>
      </ul>
    </template>
  </Alert>
  <Alert v-if="openSite.typed.length > 0" type="warning" role="alert">
    <template #message>
      <p class="head">You typed this before the window was closed, and did not save it.</p>
      <ul>
        <li v-for="text in openSite.typed" :key="text.id">
          <strong class="words">{{ text.words }}</strong>
          <Button size="small" :aria-label="`Apply: ${text.words}`" @click="openSite.useTyped(text)"
            >Apply</Button
          >
          <Button size="small" :aria-label="`Discard: ${text.words}`" @click="openSite.forgetTyped(text.id)"
            >Discard</Button
          >
        </li>
      </ul>
    </template>
  </Alert>
</template>

<style scoped>
.head {
  margin: 0 0 4px;
}

ul {
  max-height: 30vh;
  margin: 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

li {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 2px 0;
}

.words {
  flex: 1;
  overflow-wrap: anywhere;
  font-weight: normal;
}
</style>
