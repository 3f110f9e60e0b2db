<script setup lang="ts">
import { t } from '../../words'
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
    if (!signedIn) useToasts().say(t('frame.yourPasswordIsSavedSign'))
    await navigateTo('/', { replace: true })
    await session.load()
    if (signedIn) await session.goToStart()
  })
</script>

<template>
  <form novalidate @submit.prevent="go">
    <h1>{{ purpose === 'invitation' ? t('frame.youAreInvited') : t('frame.chooseANewPassword') }}</h1>
    <FormField
      v-model="form.code"
      :label="t('common.code')"
      mono
      autocomplete="off"
      data-test="code"
      :wrong="wrongs.code"
    />
    <FormField
      v-model="form.password"
      :label="t('common.chooseAPassword')"
      type="password"
      autocomplete="new-password"
      :hint="t('common.atLeast12CharactersA')"
      data-test="password"
      :wrong="wrongs.password"
    />
    <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    <VBtn type="submit" variant="flat" :loading="busy" block class="go" height="38">{{
      t('frame.saveAndSignIn')
    }}</VBtn>
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
