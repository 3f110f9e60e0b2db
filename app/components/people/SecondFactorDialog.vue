<script setup lang="ts">
import { t } from '../../words'
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
    ? t('people.keepTheseCodes')
    : state.value?.on
      ? t('people.turnTheSecondFactorOff')
      : t('people.turnOnASecondFactor'),
)
async function go() {
  if (codes.value) return emit('leave')
  const done = await acting(async () => {
    if (state.value!.on) await endSecondFactor(form.password)
    else codes.value = (await beginSecondFactor({ ...form, secret: fresh.value!.secret })).codes
  })
  if (!done || codes.value) return
  useToasts().say(t('people.signingInAsksForYour'))
  emit('leave')
}
</script>

<template>
  <Ask
    v-if="state"
    :model-value="true"
    :title="title"
    :go="codes ? t('people.iHaveKeptThem') : state.on ? t('people.turnOff') : t('people.turnOn')"
    :danger="state.on && !codes"
    :busy="busy"
    :shows="!!codes"
    @update:model-value="emit('leave')"
    @go="go"
  >
    <template v-if="codes">
      <p>{{ t('people.eachSignsYouInOnce') }}</p>
      <ul class="mono" data-test="recovery-codes">
        <li v-for="code in codes" :key="code">{{ code }}</li>
      </ul>
    </template>
    <div v-else class="fields">
      <template v-if="state.on">
        <p>
          {{ t('people.signingInAsksForA', { codesLeft: state.codesLeft }) }}
        </p>
      </template>
      <template v-else-if="fresh">
        <p>{{ t('people.scanThisWithAnApp') }}</p>
        <div class="scan">
          <img :src="picture" alt="" width="150" height="150" />
          <p class="soft">
            {{ t('people.orEnterThisKeyBy') }}<br /><code data-test="secret">{{
              fresh.secret.match(/.{4}/g)!.join(' ')
            }}</code>
          </p>
        </div>
        <FormField
          v-model="form.code"
          :label="t('common.code')"
          mono
          inputmode="numeric"
          autocomplete="one-time-code"
          data-test="factor-code"
          :wrong="wrongs.code"
        />
      </template>
      <FormField
        v-model="form.password"
        :label="t('people.yourPassword')"
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
