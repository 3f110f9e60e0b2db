<script setup lang="ts">
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
    title="Welcome"
    says="Nobody works here yet. You become the first supervisor and can invite the others later."
    go="Begin"
    :busy="busy"
    :wrong="wrong"
    @go="go"
  >
    <div class="fields">
      <FormField
        v-model="form.code"
        class="whole"
        label="Code"
        mono
        hint="bin/serve printed it when it started. It is good for one day; starting again prints a new one."
        autocomplete="off"
        data-test="code"
        :wrong="wrongs.code"
      />
      <FormField
        v-model="form.name"
        label="Your name"
        autocomplete="name"
        data-test="name"
        :wrong="wrongs.name"
      />
      <FormField
        v-model="form.email"
        label="Your email address"
        type="email"
        autocomplete="username"
        hint="You sign in with it."
        data-test="email"
        :wrong="wrongs.email"
      />
      <FormField
        v-model="form.password"
        class="whole"
        label="Choose a password"
        type="password"
        autocomplete="new-password"
        hint="At least 12 characters. A few words together are good and easy to remember."
        data-test="password"
        :wrong="wrongs.password"
      />
    </div>
  </BeginForm>
</template>
