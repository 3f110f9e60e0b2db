<script setup lang="ts">
import { t } from '../../words'
/** The three sides of Accounts: who owes what, what was paid, and the bank's files. */
const route = useRoute()
const places = [
  { to: '/accounts', words: t('bank.openTab') },
  { to: '/accounts/payments', words: t('common.payments') },
  { to: '/accounts/bank', words: t('accounts.bankFiles') },
]
</script>

<template>
  <h1 class="title">{{ t('common.accounts') }}</h1>
  <nav :aria-label="t('common.accounts')" class="places">
    <NuxtLink
      v-for="one in places"
      :key="one.to"
      :to="one.to"
      :class="{ here: route.path === one.to }"
      :aria-current="route.path === one.to ? 'page' : undefined"
      >{{ one.words }}</NuxtLink
    >
  </nav>
</template>

<style scoped>
.title {
  font-size: var(--title);
}
.places {
  display: flex;
  gap: 2px;
  white-space: nowrap;
}
.places a {
  padding: 5px 9px;
  border-radius: 4px;
  color: var(--ink);
  text-decoration: none;
  font-weight: 600;
}
.places a:hover {
  background: var(--ledger);
}
.places a.here {
  background: var(--ledger-deep);
}
</style>
