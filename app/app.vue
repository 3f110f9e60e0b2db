<script setup lang="ts">
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
