<script setup lang="ts">
import { correction, generate } from 'lean-qr'
import { toSvgDataURL } from 'lean-qr/extras/svg'
import Ask from '../frame/Ask.vue'
import FormField from '../fields/FormField.vue'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { useWrongs } from '../../composables/useWrongs'
import { beginSecondFactor, endSecondFactor, fetchSecondFactor, newSecondFactor } from '../../calls/staff'

/** Turns one's second factor on, with an app on a phone, or off. Its recovery codes are shown once. */
const emit = defineEmits<{ leave: [] }>()
const state = shallowRef<{ on: boolean; codesLeft: number }>()
const fresh = shallowRef<{ secret: string; uri: string }>()
const codes = shallowRef<string[]>()
const form = reactive({ code: '', password: '' })
const { busy, wrong, wrongs, acting } = useWrongs(Object.keys(form))
onMounted(() =>
  attempt(async () => {
    const now = await fetchSecondFactor()
    // all at once, so that the first field is there when the dialog opens and takes the focus
    if (!now.on) fresh.value = await newSecondFactor()
    state.value = now
  }),
)
const picture = computed(() =>
  fresh.value ? toSvgDataURL(generate(fresh.value.uri, { minCorrectionLevel: correction.M })) : '',
)
const title = computed(() =>
  codes.value
    ? 'Keep these codes'
    : state.value?.on
      ? 'Turn the second factor off'
      : 'Turn on a second factor',
)
async function go() {
  if (codes.value) return emit('leave')
  const done = await acting(async () => {
    if (state.value!.on) await endSecondFactor(form.password)
    else codes.value = (await beginSecondFactor({ ...form, secret: fresh.value!.secret })).codes
  })
  if (!done || codes.value) return
  useToasts().say('Signing in asks for your password only.')
  emit('leave')
}
</script>

<template>
  <Ask
    v-if="state"
    :model-value="true"
    :title="title"
    :go="codes ? 'I have kept them' : state.on ? 'Turn off' : 'Turn on'"
    :danger="state.on && !codes"
    :busy="busy"
    :shows="!!codes"
    @update:model-value="emit('leave')"
    @go="go"
  >
    <template v-if="codes">
      <p>Each signs you in once when the phone is not at hand. They are not shown again.</p>
      <ul class="mono" data-test="recovery-codes">
        <li v-for="code in codes" :key="code">{{ code }}</li>
      </ul>
    </template>
    <div v-else class="fields">
      <template v-if="state.on">
        <p>
          Signing in asks for a code from your phone. {{ state.codesLeft }} recovery codes are left; turn it
          off and on again for new ones.
        </p>
      </template>
      <template v-else-if="fresh">
        <p>Scan this with an app for sign-in codes, then enter the code that it shows.</p>
        <div class="scan">
          <img :src="picture" alt="" width="150" height="150" />
          <p class="soft">
            Or enter this key by hand:<br /><code data-test="secret">{{
              fresh.secret.match(/.{4}/g)!.join(' ')
            }}</code>
          </p>
        </div>
        <FormField
          v-model="form.code"
          label="Code"
          mono
          inputmode="numeric"
          autocomplete="one-time-code"
          data-test="factor-code"
          :wrong="wrongs.code"
        />
      </template>
      <FormField
        v-model="form.password"
        label="Your password"
        type="password"
        autocomplete="current-password"
        data-test="factor-password"
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
  gap: 10px;
}
p {
  margin: 0;
}
.scan {
  display: flex;
  gap: 16px;
  align-items: center;
}
img {
  background: #fff;
  padding: 6px;
  image-rendering: pixelated;
}
ul {
  columns: 2;
  list-style: none;
  padding: 0;
}
</style>
