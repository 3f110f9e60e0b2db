<script setup lang="ts">
import { t } from '../../words'
import { attempt } from '../../composables/api'
import { shortTime } from '../../composables/format'
import { useToasts } from '../../stores/toasts'
import { endDevice, fetchDevices } from '../../calls/staff'
import Ask from '../frame/Ask.vue'

/** Where one is signed in; any other place can be signed out. */
const open = defineModel<boolean>({ required: true })
type Device = Awaited<ReturnType<typeof fetchDevices>>['devices'][number]
const devices = shallowRef<Device[]>([])
const load = () =>
  attempt(async () => {
    devices.value = (await fetchDevices()).devices
  })
watch(open, (now) => now && void load())
const end = (device: Device) =>
  attempt(async () => {
    await endDevice(device.key)
    useToasts().say(t('people.deviceIsSignedOut', { device: device.device || t('people.theOtherBrowser') }))
    await load()
  })
</script>

<template>
  <Ask
    v-model="open"
    :title="t('people.whereYouAreSignedIn')"
    :go="t('common.close')"
    shows
    @go="open = false"
  >
    <ul>
      <li v-for="one in devices" :key="one.key">
        <strong>{{ one.device || t('people.unknownBrowser') }}</strong>
        <span class="soft">{{
          t('people.sinceSinceAtMostUntil', { since: shortTime(one.since), until: shortTime(one.until) })
        }}</span>
        <span v-if="one.here" class="tag go">{{ t('people.here') }}</span>
        <VBtn v-else height="28" data-test="end-device" @click="end(one)">{{ t('common.signOut') }}</VBtn>
      </li>
    </ul>
  </Ask>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 130px 1fr auto;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--rule);
  min-height: 38px;
}
</style>
