<script setup lang="ts">
import { rippleWords } from '@viatica/core/ripple/rippleWords.ts'
import { Button, Checkbox } from 'ant-design-vue'
import { nextTick, ref, watch } from 'vue'
import { useRipple } from '../../stores/ripple.ts'
import ModalDialog from '../ModalDialog.vue'
import RippleList from './RippleList.vue'

/** Shows what a change would do before it is made. */
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
    <p class="words">{{ rippleWords(ripple.question.foreseen.ripple) }}</p>
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
