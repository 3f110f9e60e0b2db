<script setup lang="ts">
import { t } from '../../words'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { useToasts } from '../../stores/toasts'
import { useWrongs } from '../../composables/useWrongs'
import { changePassword } from '../../calls/staff'

/** Changes one's own password. */
const open = defineModel<boolean>({ required: true })
const form = reactive({ old: '', password: '' })
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
watch(open, () => Object.assign(form, { old: '', password: '' }))
async function keep() {
  if (!(await acting(async () => void (await changePassword({ ...form }))))) return
  open.value = false
  useToasts().say(t('people.yourPasswordIsChangedEverywhere'))
}
</script>

<template>
  <Ask v-model="open" :title="t('people.changeYourPassword')" :go="t('common.save')" :busy="busy" @go="keep">
    <div class="fields">
      <FormField
        v-model="form.old"
        :label="t('people.passwordNow')"
        type="password"
        autocomplete="current-password"
        :wrong="wrongs.old"
      />
      <FormField
        v-model="form.password"
        :label="t('people.newPassword')"
        type="password"
        autocomplete="new-password"
        :hint="t('common.atLeast12CharactersA')"
        :wrong="wrongs.password"
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
</style>
