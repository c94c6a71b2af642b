<script setup lang="ts">
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { Button, Checkbox } from 'ant-design-vue'
import { computed, nextTick, ref, watch } from 'vue'
import { useRipple } from '../../stores/ripple.ts'
import ModalDialog from '../ModalDialog.vue'
import RippleList from './RippleList.vue'

/** Shows what a change would do before it is made. */
const changes = computed(() => {
  const { pages, files, styles, included } = ripple.question!.foreseen.ripple
  const isNothing = pages.length === 0 && files === 0 && !styles && included.length === 0
  return isNothing
    ? 'Only the source of the text changes: visitors get the same pages.'
    : `Changes: ${rippleWords(ripple.question!.foreseen.ripple)}`
})

/** So many of what is done are told one by one. */
const SHOWN = 12

const ripple = useRipple()
const yes = ref<InstanceType<typeof Button>>()

watch(
  () => ripple.question,
  (question) => question && void nextTick(() => (yes.value?.$el as HTMLElement | undefined)?.focus()),
)
</script>

<template>
  <ModalDialog
    v-if="ripple.question"
    open
    wide
    :title="ripple.question.title"
    @close="ripple.question.answer(false)"
  >
    <ul v-if="ripple.question.what" class="goes-list">
      <li v-for="(words, at) in ripple.question.what.slice(0, SHOWN)" :key="at">{{ words }}</li>
      <li v-if="ripple.question.what.length > SHOWN">and {{ ripple.question.what.length - SHOWN }} more</li>
    </ul>
    <p class="words">{{ changes }}</p>
    <RippleList :ripple="ripple.question.foreseen.ripple" of="foreseen" />
    <p v-if="ripple.question.isMove" class="unasked">
      <Checkbox v-model:checked="ripple.movesUnasked"> Don’t ask again in this window </Checkbox>
    </p>
    <template #buttons>
      <Button @click="ripple.question.answer(false)">Cancel</Button>
      <Button ref="yes" type="primary" @click="ripple.question.answer(true)">{{
        ripple.question.yes
      }}</Button>
    </template>
  </ModalDialog>
</template>

<style scoped>
.words {
  margin: 0 0 12px;
  font-weight: 500;
}

.unasked {
  margin: 12px 0 0;
}
</style>
