<script setup lang="ts">
import 'dayjs/locale/en-gb'
import { DatePicker } from 'ant-design-vue'
import locale from 'ant-design-vue/es/date-picker/locale/en_GB'
import { useId } from 'vue'

/** A day that is typed, `2026-05-12`, or chosen in a calendar. */
defineProps<{ label: string; hint: string; /** `YYYY-MM-DD`, or empty. */ value: string }>()
const emit = defineEmits<{ change: [string] }>()
const id = useId()
</script>

<template>
  <div class="field">
    <label class="field-label" :for="id">{{ label }}</label>
    <DatePicker
      :id="id"
      :value="value || undefined"
      :locale="locale"
      placeholder="YYYY-MM-DD"
      value-format="YYYY-MM-DD"
      @change="emit('change', ($event as string | null) ?? '')"
    />
    <span class="field-hint">{{ hint }}</span>
  </div>
</template>
