<script setup lang="ts">
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { choosePassword } from '../../calls/begin'

/** Chooses a password with an invitation, or a new one with a code. */
const props = defineProps<{ purpose: 'invitation' | 'new password'; code: string }>()
const session = useSession()
const form = reactive({ code: props.code, password: '' })
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
const go = () =>
  acting(async () => {
    const { signedIn } = await choosePassword({ purpose: props.purpose, ...form })
    if (!signedIn) useToasts().say('Your password is saved. Sign in with it and the code from your phone.')
    await navigateTo('/', { replace: true })
    await session.load()
    if (signedIn) await session.goToStart()
  })
</script>

<template>
  <form novalidate @submit.prevent="go">
    <h1>{{ purpose === 'invitation' ? 'You are invited' : 'Choose a new password' }}</h1>
    <FormField
      v-model="form.code"
      label="Code"
      mono
      autocomplete="off"
      data-test="code"
      :wrong="wrongs.code"
    />
    <FormField
      v-model="form.password"
      label="Choose a password"
      type="password"
      autocomplete="new-password"
      hint="At least 12 characters. A few words together are good and easy to remember."
      data-test="password"
      :wrong="wrongs.password"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <VBtn type="submit" variant="flat" :loading="busy" block class="go" height="38">Save and sign in</VBtn>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
h1 {
  font-size: var(--large);
  margin-bottom: 4px;
}
</style>
