<script setup lang="ts">
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
    useToasts().say(`${device.device || 'The other browser'} is signed out.`)
    await load()
  })
</script>

<template>
  <Ask v-model="open" title="Where you are signed in" go="Close" shows @go="open = false">
    <ul>
      <li v-for="one in devices" :key="one.key">
        <strong>{{ one.device || 'Unknown browser' }}</strong>
        <span class="soft">since {{ shortTime(one.since) }}, at most until {{ shortTime(one.until) }}</span>
        <span v-if="one.here" class="tag go">here</span>
        <VBtn v-else height="28" data-test="end-device" @click="end(one)">Sign out</VBtn>
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
