<script setup lang="ts">
import Frame from './components/frame/Frame.vue'
import SignIn from './components/frame/SignIn.vue'
import { useSession } from './stores/session'
import { useLook } from './stores/look'
const session = useSession()
useLook()
</script>

<template>
  <v-app>
    <SignIn v-if="session.known && !session.user" />
    <template v-else-if="session.user">
      <Frame>
        <NuxtPage />
      </Frame>
    </template>
  </v-app>
</template>
