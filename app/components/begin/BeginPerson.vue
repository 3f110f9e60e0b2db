<script setup lang="ts">
import { t } from '../../words'
import BeginForm from './BeginForm.vue'
import FormField from '../fields/FormField.vue'
import { useSession } from '../../stores/session'
import { useWrongs } from '../../composables/useWrongs'
import { beginHouse } from '../../calls/begin'

/** Who sets up: the first supervisor, with the code that the start printed. */
const session = useSession()
const route = useRoute()
const form = reactive({ code: String(route.query.code ?? ''), name: '', email: '', password: '' })
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
const go = () =>
  acting(async () => {
    await beginHouse({ ...form })
    await navigateTo('/', { replace: true })
    await session.load()
  })
</script>

<template>
  <BeginForm
    :title="t('begin.welcome')"
    :says="t('begin.nobodyWorksHereYetYou')"
    :go="t('begin.begin')"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <div class="fields">
      <FormField
        v-model="form.code"
        class="whole"
        :label="t('common.code')"
        mono
        :hint="t('begin.binServePrintedItWhen')"
        autocomplete="off"
        data-test="code"
        :wrong="wrongs.code"
      />
      <FormField
        v-model="form.name"
        :label="t('begin.yourName')"
        autocomplete="name"
        data-test="name"
        :wrong="wrongs.name"
      />
      <FormField
        v-model="form.email"
        :label="t('begin.yourEmailAddress')"
        type="email"
        autocomplete="username"
        :hint="t('begin.youSignInWithIt')"
        data-test="email"
        :wrong="wrongs.email"
      />
      <FormField
        v-model="form.password"
        class="whole"
        :label="t('common.chooseAPassword')"
        type="password"
        autocomplete="new-password"
        :hint="t('common.atLeast12CharactersA')"
        data-test="password"
        :wrong="wrongs.password"
      />
    </div>
  </BeginForm>
</template>
