<script setup lang="ts">
import Frame from './components/frame/Frame.vue'
import SignIn from './components/frame/SignIn.vue'
import { useSession } from './stores/session'
import { useLook } from './stores/look'
const FirstVisit = defineAsyncComponent(() => import('./components/begin/FirstVisit.vue'))
const session = useSession()
useLook()
</script>

<template>
  <v-app>
    <template v-if="session.known">
      <FirstVisit v-if="session.begun === 'nobody' || (session.user && session.setsUp)" />
      <SignIn v-else-if="!session.user" />
      <Frame v-else>
        <NuxtPage />
      </Frame>
    </template>
  </v-app>
</template>
