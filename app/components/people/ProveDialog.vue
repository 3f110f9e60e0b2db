<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { useProving } from '../../stores/proving'
import { ApiRefusal } from '../../composables/api'
import { useWrongs } from '../../composables/useWrongs'

/** Asks who is signed in for the password again, and for a code where there is a second factor. */
const proving = useProving()
const form = reactive({ password: '', code: '' })
const wantsCode = ref(false)
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
watch(
  () => proving.asked,
  () => {
    Object.assign(form, { password: '', code: '' })
    wantsCode.value = false
    wrongs.value = {}
    wrong.value = ''
  },
)
const go = () =>
  acting(async () => {
    try {
      await proving.prove(form.password, form.code)
    } catch (error) {
      if (!(error instanceof ApiRefusal) || error.code !== 'code-needed' || wantsCode.value) throw error
      wantsCode.value = true
    }
  })
</script>

<template>
  <Ask
    :model-value="proving.asked"
    :title="t('people.enterYourPasswordAgain')"
    :go="t('people.continue')"
    :busy="busy"
    @update:model-value="proving.leave()"
    @go="go"
  >
    <div class="fields">
      <p>{{ t('people.thisCouldLetOthersIn') }}</p>
      <FormField
        v-model="form.password"
        :label="t('people.yourPassword')"
        type="password"
        autocomplete="current-password"
        data-test="prove-password"
        :wrong="wrongs.password"
      />
      <FormField
        v-if="wantsCode"
        v-model="form.code"
        :label="t('people.codeFromYourPhoneOr')"
        autocomplete="one-time-code"
        inputmode="numeric"
        data-test="prove-code"
        :wrong="wrongs.code"
      />
      <p v-if="wrong" class="notice stuck" role="alert">{{ wrong }}</p>
    </div>
  </Ask>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
p {
  margin: 0;
}
</style>
