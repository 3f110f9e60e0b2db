<script setup lang="ts">
import type { LineRow } from '../../../server/services/line/list'

/** Why the dispatch in hand is stuck, in plain words with the mail server's own answer behind it, and the remedy in place. */
defineProps<{ row: LineRow }>()
const session = useSession()
const contacts = ref(false)
</script>

<template>
  <div class="notice stuck remedy" data-test="remedy">
    <span><strong>{{ row.number }}, {{ row.cause }}.</strong> {{ row.remedy }} <span v-if="row.reply" class="mono reply">{{ row.reply }}</span></span>
    <VBtn v-if="session.may('clerk')" class="push" height="28" data-test="contacts" @click="contacts = true">Contacts…</VBtn>
  </div>
  <ContactsDialog v-if="contacts" v-model="contacts" :customer-id="row.customerId" />
</template>

<style scoped>
.remedy { min-height: 58px; flex: none; }
.reply { font-size: 12.5px; }
</style>
