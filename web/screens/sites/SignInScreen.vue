<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { access } from '../../api/access.ts'
import { useAttempt } from '../../api/attempt.ts'

/** Where Viatica can be reached from other machines, whoever comes in gives the access key once. */
const route = useRoute()
const router = useRouter()
const key = ref('')
const input = ref<InstanceType<typeof Input>>()
const { trouble, attempt } = useAttempt()

const signIn = () =>
  attempt(async () => {
    await access.signIn(key.value.trim())
    const { back } = route.query
    // Only to a screen of ours.
    await router.replace(typeof back === 'string' && /^\/(?!\/)/.test(back) ? back : '/')
  })

onMounted(() => {
  document.title = 'Sign in · Viatica'
  ;(input.value?.$el as HTMLInputElement | undefined)?.focus()
})
</script>

<template>
  <main class="sign-in">
    <h1>Sign in to Viatica</h1>
    <p>Viatica asks everybody for its access key. Whoever runs the server has it.</p>
    <form @submit.prevent="signIn">
      <label class="field-label" for="access-key">Access key</label>
      <Input
        id="access-key"
        ref="input"
        v-model:value="key"
        type="password"
        autocomplete="current-password"
        :status="trouble ? 'error' : ''"
        aria-describedby="access-trouble"
      />
      <p id="access-trouble" class="field-fault" role="alert">{{ trouble }}</p>
      <Button type="primary" html-type="submit" :disabled="key.trim() === ''">Sign in</Button>
    </form>
  </main>
</template>

<style scoped>
.sign-in {
  max-width: 420px;
  margin: 14vh auto 0;
  padding: 0 24px;
}

.field-fault {
  min-height: 1.5em;
  margin: 4px 0 12px;
}
</style>
